import type { InterludeChange, PlanEdit, RungBlockChange, TimedClass } from '@warm-ladder/core/plan';
import type { Catalog, DoseChange } from '@warm-ladder/core/repertoire';
import { type KeyboardEvent, useEffect, useMemo, useRef } from 'react';
import { means } from '../../../app/menus/shortcuts';
import { inField } from '../../../app/menus/useShortcuts';
import { useClassEdit } from '../../../app/store/edits';

/** What a tile can do; every block is named by its id, which stays the same when others move. */
export interface TileActions {
  readonly secondsPerCount: number;
  readonly select: (id: string) => void;
  /** Puts a block to those that are chosen together, or takes it from them. */
  readonly choose: (id: string) => void;
  readonly toggle: (id: string) => void;
  readonly edit: (edits: PlanEdit | readonly PlanEdit[], label: string, field?: string) => void;
  readonly set: (id: string, change: RungBlockChange, label: string, field?: string) => void;
  readonly setInterlude: (id: string, change: InterludeChange, label: string, field?: string) => void;
  readonly dose: (id: string, dose: DoseChange) => void;
  readonly remove: (id: string) => void;
  /** To the place another block has. */
  readonly moveTo: (id: string, place: string) => void;
  /** Shows what could stand in its place. */
  readonly instead: (id: string) => void;
  readonly joinRun: (id: string, join: boolean) => void;
  readonly keyDown: (event: KeyboardEvent, id: string) => void;
}

interface Desk {
  readonly sequence: TimedClass['sequence'];
  readonly select: (id: string) => void;
  readonly choose: (id: string, on?: boolean) => void;
  readonly toggle: (id: string) => void;
  readonly instead: (id: string) => void;
}

/** Puts the focus on a tile once it is drawn in its new place. */
export const focusTile = (index: number): void => {
  requestAnimationFrame(() => tileAt(index)?.focus());
};

/** Everything a tile can do, the same functions for every tile and every edit, so that tiles unchanged stay undrawn. */
export function useTileActions(catalog: Catalog, classId: string, desk: Desk): TileActions {
  const edit = useClassEdit(classId);
  const now = useRef(desk);
  useEffect(() => {
    now.current = desk;
  });
  const { secondsPerCount } = catalog.method;
  return useMemo(() => {
    const placeOf = (id: string) => now.current.sequence.findIndex(({ block }) => block.id === id);
    const idAt = (place: number) => now.current.sequence[place]?.block.id;
    const nameOf = (id: string) => {
      const part = now.current.sequence[placeOf(id)];
      return part === undefined ? 'a block' : part.kind === 'block' ? part.entry.exercise.name : part.block.name;
    };
    const goTo = (id: string | undefined, place: number) => {
      if (id === undefined) return;
      now.current.select(id);
      focusTile(place);
    };
    const actions: TileActions = {
      secondsPerCount,
      select: (id) => now.current.select(id),
      choose: (id) => now.current.choose(id),
      toggle: (id) => now.current.toggle(id),
      edit,
      set: (id, change, label, field = '') => edit({ kind: 'set', id, change }, label, field && `${field} ${id}`),
      setInterlude: (id, change, label, field = '') =>
        edit({ kind: 'interlude', id, change }, label, field && `${field} ${id}`),
      dose: (id, dose) =>
        edit({ kind: 'dose', id, dose }, `the dose of ${nameOf(id)}`, `dose ${id} ${Object.keys(dose)}`),
      remove: (id) => {
        const place = placeOf(id);
        const next = idAt(place + 1) ?? idAt(place - 1);
        edit({ kind: 'remove', id }, `removing ${nameOf(id)}`);
        goTo(next, Math.max(0, Math.min(place, now.current.sequence.length - 2)));
      },
      moveTo: (id, place) => {
        const [from, to] = [placeOf(id), placeOf(place)];
        if (from === to || from < 0 || to < 0) return;
        const before = to > from ? (idAt(to + 1) ?? null) : place;
        edit({ kind: 'move', id, before }, `moving ${nameOf(id)}`);
        goTo(id, to);
      },
      instead: (id) => now.current.instead(id),
      joinRun: (id, join) => edit(runEdits(now.current.sequence, id, join), `the run of ${nameOf(id)}`),
      keyDown: (event, id) => {
        const place = placeOf(id);
        const by = stepOf(event.key, place);
        const near = by === 0 ? undefined : idAt(place + by);
        if (by !== 0 && event.altKey) {
          event.preventDefault();
          if (near !== undefined) actions.moveTo(id, near);
        } else if (inField(event.target) || event.target !== event.currentTarget) return;
        else if (by !== 0) {
          event.preventDefault();
          if (event.shiftKey) {
            now.current.choose(id, true);
            if (near !== undefined) now.current.choose(near, true);
          }
          goTo(near, place + by);
        } else if (event.ctrlKey || event.metaKey) return;
        else if (means('open', event)) actions.toggle(id);
        else if (means('choose', event)) now.current.choose(id);
        else if (means('swap', event)) actions.instead(id);
        else if (means('remove', event)) actions.remove(id);
      },
    };
    return actions;
  }, [edit, secondsPerCount]);
}

/** How many places on a key leads: along the line, or to the tile above or under this one. */
function stepOf(key: string, place: number): number {
  if (key === 'ArrowLeft') return -1;
  if (key === 'ArrowRight') return 1;
  const way = key === 'ArrowUp' ? -1 : key === 'ArrowDown' ? 1 : 0;
  const here = tileAt(place)?.getBoundingClientRect();
  if (way === 0 || !here) return 0;
  for (let by = way; ; by += way) {
    const there = tileAt(place + by)?.getBoundingClientRect();
    // Past the last line it is the last tile, past the first the first.
    if (!there) return by - way;
    if (Math.abs(there.top - here.top) > here.height / 2 && Math.abs(there.left - here.left) < here.width / 2)
      return by;
  }
}

const tileAt = (place: number): HTMLElement | null => document.getElementById(`block-${place}`);

/** Joins a block to the run of the one above it, begun if need be, or lets it and what follows it go. */
function runEdits(sequence: TimedClass['sequence'], id: string, join: boolean): PlanEdit[] {
  if (!join) return [{ kind: 'set', id, change: { run: undefined } }];
  const blocks = sequence.flatMap((part) => (part.kind === 'block' ? [part.block] : []));
  const above = blocks[blocks.findIndex((block) => block.id === id) - 1];
  if (!above) return [];
  const taken = new Set(blocks.map(({ run }) => run));
  const free = Array.from({ length: blocks.length + 1 }, (_, n) => `run-${n + 1}`).find((name) => !taken.has(name));
  const run = above.run ?? free;
  return [
    { kind: 'set', id: above.id, change: { run } },
    { kind: 'set', id, change: { run } },
  ];
}
