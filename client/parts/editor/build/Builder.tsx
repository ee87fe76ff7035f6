import type { Announcements, DragEndEvent } from '@dnd-kit/core';
import { Fragment, useState } from 'react';
import { View } from 'react-native';
import {
  addPart,
  duplicateItem,
  itemAt,
  liftItem,
  moveItem,
  moveLine,
  openSet,
  removeItem,
  replaceItem,
  setRole,
  wrapItem,
  type ItemPath,
} from '@core/session/edit';
import { lineOf } from '@core/session/parts';
import type { SessionTree } from '@core/session/session';
import { DragArea } from '../../../ui/DragArea';
import { SmallButton } from '../../../ui/SmallButton';
import { SPACE, usePalette } from '../../../ui/theme';
import { Trouble } from '../../../ui/Trouble';
import { Text } from '../../../ui/Text';
import { EndRow, ItemFace, ItemRow, LineHead } from './BuilderRow';
import { builderRows, itemWords, keyOf } from './builderRows';
import { ItemPanel } from './ItemPanel';
import type { PaceBookView } from './PacePanel';
import { PartPalette } from './PartPalette';

type Props = {
  session: SessionTree;
  book: PaceBookView;
  /** Changes the session; an impossible change is answered with the reason. */
  build: (next: SessionTree) => string | undefined;
};

/** The session as parts to press, drag and nest: the same session as the text, and each change shows in both. */
export function Builder({ session, book, build }: Props) {
  const palette = usePalette();
  const [open, setOpen] = useState<string>();
  const [trouble, setTrouble] = useState<string>();
  const [draggedKey, setDraggedKey] = useState<string>();
  const rows = builderRows(session);
  const rowOf = (key: string | number | undefined) => rows.find((row) => row.key === key);
  const dragged = rowOf(draggedKey);
  const act = (next: SessionTree, openAt?: ItemPath) => {
    const refused = build(next);
    setTrouble(refused);
    if (refused === undefined) setOpen(openAt && keyOf(openAt));
  };
  const pathOf = (key: string | number | undefined): ItemPath | undefined => {
    const row = rowOf(key);
    return row && row.kind !== 'line' ? row.path : undefined;
  };
  const drop = ({ active, over }: DragEndEvent) => {
    const [from, to] = [pathOf(active.id), pathOf(over?.id)];
    if (!from || !to || keyOf(from) === keyOf(to)) return;
    const moved = moveItem(session, from, to);
    if (moved !== session) act(moved);
  };
  const announce = (key: string | number) => {
    const row = rowOf(key);
    return row?.kind === 'item' ? itemWords(row.item).title : row?.kind === 'end' ? `the end of the ${row.of}` : '';
  };
  const announcements: Announcements = {
    onDragStart: ({ active }) => `${announce(active.id)} is picked up. The arrow keys choose a place, space puts down.`,
    onDragOver: ({ active, over }) =>
      over ? `${announce(active.id)} would come before ${announce(over.id)}.` : undefined,
    onDragEnd: ({ active, over }) => (over ? `${announce(active.id)} is put before ${announce(over.id)}.` : undefined),
    onDragCancel: ({ active }) => `${announce(active.id)} stays.`,
  };
  const place = (path: ItemPath, by: number): ItemPath => [...path.slice(0, -1), (path.at(-1) ?? 0) + by];
  const actions = (path: ItemPath) => {
    const item = itemAt(session, path);
    const at = path.at(-1) ?? 0;
    return (
      <View style={{ flexDirection: 'row', flexWrap: 'wrap', gap: SPACE.s }}>
        <SmallButton onPress={() => act(duplicateItem(session, path), place(path, 1))}>Duplicate</SmallButton>
        {at > 0 && (
          <SmallButton onPress={() => act(moveItem(session, path, place(path, -1)), place(path, -1))}>Up</SmallButton>
        )}
        {itemAt(session, place(path, 1)) && (
          <SmallButton onPress={() => act(moveItem(session, path, place(path, 2)), place(path, 1))}>Down</SmallButton>
        )}
        <SmallButton onPress={() => act(wrapItem(session, path), path)}>Make it a set</SmallButton>
        {path.length > 2 && <SmallButton onPress={() => act(liftItem(session, path))}>Out of the set</SmallButton>}
        {item?.body.kind === 'set' && (
          <SmallButton onPress={() => act(openSet(session, path))}>Undo the set</SmallButton>
        )}
        <SmallButton onPress={() => act(removeItem(session, path))}>Remove</SmallButton>
      </View>
    );
  };
  return (
    <View style={{ gap: SPACE.m }}>
      {trouble !== undefined && <Trouble>{trouble}</Trouble>}
      {rows.length === 0 && <Text quiet>Press a part to begin: each comes with amounts you can change.</Text>}
      <DragArea
        announcements={announcements}
        choosing="a place"
        onDragged={(key) => {
          setDraggedKey(key);
          if (key !== undefined) setOpen(undefined);
        }}
        onDrop={drop}
        lifted={dragged?.kind === 'item' && <ItemFace item={dragged.item} lifted />}
      >
        <View>
          {rows.map((row) => {
            if (row.kind === 'line')
              return (
                <LineHead
                  key={row.key}
                  role={row.role}
                  at={row.at}
                  count={session.lines.length}
                  onRole={(role) => act(setRole(session, row.at, role))}
                  onMove={(by) => act(moveLine(session, row.at, by))}
                />
              );
            if (row.kind === 'end')
              return (
                <EndRow key={row.key} id={row.key} depth={row.depth} of={row.of} isDragging={dragged !== undefined} />
              );
            const isOpen = open === row.key;
            return (
              <Fragment key={row.key}>
                <ItemRow
                  id={row.key}
                  depth={row.depth}
                  item={row.item}
                  isOpen={isOpen}
                  onPress={() => setOpen(isOpen ? undefined : row.key)}
                />
                {isOpen && (
                  <View
                    role="group"
                    aria-label={`Change ${itemWords(row.item).title}`}
                    style={{ gap: SPACE.l, padding: SPACE.m, backgroundColor: palette.raised }}
                  >
                    <ItemPanel
                      item={row.item}
                      book={book}
                      onChange={(item) => act(replaceItem(session, row.path, [item]), row.path)}
                    />
                    {actions(row.path)}
                  </View>
                )}
              </Fragment>
            );
          })}
        </View>
      </DragArea>
      <PartPalette
        onPick={(part) => {
          const added = addPart(session, lineOf(part));
          act(added.session, added.path);
        }}
      />
    </View>
  );
}
