import { Link, type Href } from 'expo-router';
import { memo, startTransition, useEffect, useMemo, useState, type ReactNode } from 'react';
import { ScrollView, useWindowDimensions, View, type ViewStyle } from 'react-native';
import type { Palette } from './palette';
import { Press } from './Press';
import { rem } from './rem';
import { SPACE, usePalette } from './theme';
import { Tick } from './Tick';
import { Text } from './Text';

export type TableColumn = {
  key: string;
  title: string;
  under?: string;
  width: number;
  /** Sorts by this column. */
  onPress?: () => void;
  sorted?: boolean;
};

export type TableRow = {
  key: string;
  name: string;
  under?: string;
  chosen?: boolean;
  /** The cells; a function is called when the row renders, the first rows at once. */
  cells: ReactNode[] | ((count: number) => ReactNode[]);
  /** What the name is: a link, a box to tick, or a button. */
  href?: Href;
  ticked?: boolean;
  onPress?: () => void;
};

/** A line across the table that says whose rows follow. */
export type TableHeading = { key: string; heading: string; detail?: string };

type Props = {
  label: string;
  nameTitle: string;
  nameWidth?: number;
  columns: TableColumn[];
  rows: readonly (TableRow | TableHeading)[];
  rowHeight?: number;
  /** What pressing a name does, for screen readers; the name alone if left out. */
  nameLabel?: (name: string) => string;
  /** Drawn at first, headings included; fewer where each row costs much, or only a few are in sight. */
  mostRows?: number;
};

const sticky = { position: 'sticky', left: 0, zIndex: 1 } as unknown as ViewStyle;

/** The browser lays out only the rows in sight. */
const skipped = (rowHeight: number) =>
  ({ contentVisibility: 'auto', containIntrinsicSize: `auto ${rowHeight}px` }) as unknown as ViewStyle;

// Cells share what room there is to spare, and scroll where there is none.
const cellStyle = (width: number): ViewStyle => ({
  width: rem(width),
  flexGrow: 1,
  maxWidth: rem(width * 1.6),
  paddingHorizontal: SPACE.s,
  justifyContent: 'center',
  alignItems: 'flex-end',
});

/** Characters from which a title is set smaller, so that it stays on its line. */
const LONG_TITLE = 7;

function HeadCell({ column, palette }: { column: TableColumn; palette: Palette }) {
  const words = (
    <>
      <Text
        as={column.title.length > LONG_TITLE ? 'small' : 'strong'}
        style={{ textAlign: 'right', fontWeight: '700' }}
      >
        {column.sorted ? `▾ ${column.title}` : column.title}
      </Text>
      {column.under !== undefined && (
        <Text as="label" quiet style={{ textAlign: 'right' }}>
          {column.under}
        </Text>
      )}
    </>
  );
  const place: ViewStyle = { justifyContent: 'flex-end', paddingBottom: SPACE.xs };
  return (
    <View
      role="columnheader"
      {...(column.onPress ? { 'aria-sort': column.sorted ? ('ascending' as const) : ('none' as const) } : {})}
      style={[cellStyle(column.width), place, column.sorted ? { backgroundColor: palette.raised } : undefined]}
    >
      {column.onPress ? (
        <Press
          role="button"
          aria-label={`Sort by ${column.title}`}
          onPress={column.onPress}
          style={{ minHeight: 48, width: '100%', alignItems: 'flex-end', ...place }}
        >
          {words}
        </Press>
      ) : (
        words
      )}
    </View>
  );
}

/** The name at the start of a row, and what pressing it does. */
function Name({ row, label, palette }: { row: TableRow; label: string; palette: Palette }) {
  const words = (
    <View style={{ flexShrink: 1 }}>
      <Text as="strong">{row.name}</Text>
      {row.under !== undefined && (
        <Text as="label" quiet>
          {row.under}
        </Text>
      )}
    </View>
  );
  const style: ViewStyle = {
    minHeight: 44,
    width: '100%',
    flexDirection: 'row',
    alignItems: 'center',
    gap: SPACE.s,
    borderLeftWidth: 5,
    borderLeftColor: row.chosen ? palette.action : 'transparent',
    paddingLeft: SPACE.s,
  };
  if (row.href !== undefined)
    return (
      <Link href={row.href} aria-label={label} aria-current={row.chosen ? 'true' : undefined} style={{ width: '100%' }}>
        <View style={style}>{words}</View>
      </Link>
    );
  if (!row.onPress) return <View style={style}>{words}</View>;
  const ticks = row.ticked !== undefined;
  return (
    <Press
      role={ticks ? 'checkbox' : 'button'}
      {...(ticks ? { 'aria-checked': row.ticked } : {})}
      aria-label={label}
      onPress={row.onPress}
      style={style}
    >
      {row.ticked !== undefined && <Tick on={row.ticked} />}
      {words}
    </Press>
  );
}

type LineProps = Required<Pick<Props, 'columns' | 'rowHeight' | 'nameWidth' | 'nameLabel'>> & {
  row: TableRow;
  palette: Palette;
};

/** One row; drawn again only when something about it has changed. */
const Line = memo(function Line({ row, columns, rowHeight, nameWidth, nameLabel, palette }: LineProps) {
  return (
    <View
      role="row"
      aria-selected={row.chosen ?? row.ticked ?? false}
      style={[
        { borderBottomWidth: 1, borderBottomColor: palette.line },
        skipped(rowHeight),
        {
          flexDirection: 'row',
          minHeight: rowHeight,
          backgroundColor: row.chosen || row.ticked ? palette.raised : palette.ground,
        },
      ]}
    >
      <View
        role="rowheader"
        style={[
          sticky,
          {
            width: rem(nameWidth),
            justifyContent: 'center',
            backgroundColor: row.chosen || row.ticked ? palette.raised : palette.ground,
          },
        ]}
      >
        <Name row={row} label={nameLabel(row.name)} palette={palette} />
      </View>
      {(typeof row.cells === 'function' ? row.cells(columns.length) : row.cells.slice(0, columns.length)).map(
        (content, i) => (
          <View key={columns[i]?.key ?? i} role="cell" style={cellStyle(columns[i]?.width ?? 80)}>
            {content}
          </View>
        ),
      )}
    </View>
  );
});

const itself = (name: string) => name;

/** More than a phone or a laptop shows at once; of a wide table fewer rows, since each of its cells costs. */
const FIRST = { rows: 18, leastRows: 6, cells: 90 };
/** Columns that a window shows at once, and one more. */
function columnsInSight(columns: readonly TableColumn[], nameWidth: number, windowPx: number): number {
  let inSight = 0;
  for (let px = nameWidth; px <= windowPx && inSight < columns.length; inSight++) px += columns[inSight]?.width ?? 0;
  return Math.min(columns.length, inSight + 1);
}

/** A table that scrolls sideways under a first column that stays. */
export function Table({
  label,
  nameTitle,
  nameWidth = 124,
  columns: allColumns,
  rows,
  rowHeight = 48,
  nameLabel = itself,
  mostRows = FIRST.rows,
}: Props) {
  const palette = usePalette();
  // A long table starts with the rows in sight; the rest follows at once, without holding up a tap.
  const { width } = useWindowDimensions();
  const firstColumns = columnsInSight(allColumns, nameWidth, width);
  const firstRows = Math.min(mostRows, Math.max(FIRST.leastRows, Math.floor(FIRST.cells / (firstColumns + 1))));
  const [isWhole, setWhole] = useState(rows.length <= firstRows && allColumns.length <= firstColumns);
  const columns = useMemo(
    () => (isWhole ? allColumns : allColumns.slice(0, firstColumns)),
    [isWhole, allColumns, firstColumns],
  );
  useEffect(() => startTransition(() => setWhole(true)), []);
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
                width: rem(nameWidth),
                justifyContent: 'flex-end',
                paddingBottom: SPACE.xs,
                backgroundColor: palette.ground,
              },
            ]}
          >
            <Text as="label" quiet>
              {nameTitle}
            </Text>
          </View>
          {columns.map((column) => (
            <HeadCell key={column.key} column={column} palette={palette} />
          ))}
        </View>
        {(isWhole ? rows : rows.slice(0, firstRows)).map((row) =>
          'heading' in row ? (
            <View key={row.key} role="row" style={{ borderBottomWidth: 1, borderBottomColor: palette.ink }}>
              <View
                role="rowheader"
                style={[
                  sticky,
                  { alignSelf: 'flex-start', flexDirection: 'row', alignItems: 'baseline', gap: SPACE.s },
                ]}
              >
                <Text as="heading" level={2} style={{ paddingTop: SPACE.m, paddingBottom: SPACE.xs }}>
                  {row.heading}
                </Text>
                {row.detail !== undefined && (
                  <Text as="label" quiet>
                    {row.detail}
                  </Text>
                )}
              </View>
            </View>
          ) : (
            <Line key={row.key} row={row} {...{ columns, rowHeight, nameWidth, nameLabel, palette }} />
          ),
        )}
      </View>
    </ScrollView>
  );
}
