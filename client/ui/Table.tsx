import type { ReactNode } from 'react';
import { ScrollView, View, type ViewStyle } from 'react-native';
import { Press } from './Press';
import { SPACE, usePalette } from './theme';
import { Words } from './Words';

export type TableColumn = { key: string; title: string; under?: string; width: number };
export type TableRow = { key: string; name: string; onPress: () => void; chosen?: boolean; cells: ReactNode[] };

type Props = {
  label: string;
  nameTitle: string;
  nameWidth?: number;
  columns: TableColumn[];
  rows: TableRow[];
  rowHeight?: number;
  /** What pressing a name does, for screen readers. */
  nameSays: (name: string) => string;
};

const sticky = { position: 'sticky', left: 0, zIndex: 1 } as unknown as ViewStyle;

/** A table that scrolls sideways under a first column that stays. */
export function Table({ label, nameTitle, nameWidth = 124, columns, rows, rowHeight = 48, nameSays }: Props) {
  const palette = usePalette();
  const line = { borderBottomWidth: 1, borderBottomColor: palette.line } as const;
  // Cells share what room there is to spare, and scroll where there is none.
  const cell = (width: number): ViewStyle => ({
    width,
    flexGrow: 1,
    maxWidth: width * 1.6,
    paddingHorizontal: SPACE.s,
    justifyContent: 'center',
    alignItems: 'flex-end',
  });
  return (
    <ScrollView
      horizontal
      tabIndex={0}
      aria-label={`${label}, scrolls sideways`}
      style={{ marginHorizontal: -SPACE.l }}
      contentContainerStyle={{ paddingHorizontal: SPACE.l, flexGrow: 1 }}
    >
      <View role="table" aria-label={label} style={{ flexGrow: 1 }}>
        <View
          role="row"
          style={{ flexDirection: 'row', minHeight: 52, borderBottomWidth: 2, borderBottomColor: palette.ink }}
        >
          <View
            role="columnheader"
            style={[
              sticky,
              {
                width: nameWidth,
                justifyContent: 'flex-end',
                paddingBottom: SPACE.xs,
                backgroundColor: palette.ground,
              },
            ]}
          >
            <Words as="label" quiet>
              {nameTitle}
            </Words>
          </View>
          {columns.map((column) => (
            <View
              key={column.key}
              role="columnheader"
              style={[cell(column.width), { justifyContent: 'flex-end', paddingBottom: SPACE.xs }]}
            >
              <Words as="strong" style={{ textAlign: 'right' }}>
                {column.title}
              </Words>
              {column.under !== undefined && (
                <Words as="label" quiet style={{ textAlign: 'right' }}>
                  {column.under}
                </Words>
              )}
            </View>
          ))}
        </View>
        {rows.map((row) => (
          <View
            key={row.key}
            role="row"
            aria-selected={row.chosen ?? false}
            style={[
              line,
              {
                flexDirection: 'row',
                minHeight: rowHeight,
                backgroundColor: row.chosen ? palette.raised : palette.ground,
              },
            ]}
          >
            <View
              role="rowheader"
              style={[
                sticky,
                {
                  width: nameWidth,
                  justifyContent: 'center',
                  backgroundColor: row.chosen ? palette.raised : palette.ground,
                },
              ]}
            >
              <Press
                role="button"
                aria-label={nameSays(row.name)}
                onPress={row.onPress}
                style={{
                  minHeight: 44,
                  justifyContent: 'center',
                  borderLeftWidth: 5,
                  borderLeftColor: row.chosen ? palette.action : 'transparent',
                  paddingLeft: SPACE.s,
                }}
              >
                <Words as="strong" numberOfLines={2}>
                  {row.name}
                </Words>
              </Press>
            </View>
            {row.cells.map((content, i) => (
              <View key={columns[i]?.key ?? i} role="cell" style={cell(columns[i]?.width ?? 80)}>
                {content}
              </View>
            ))}
          </View>
        ))}
      </View>
    </ScrollView>
  );
}
