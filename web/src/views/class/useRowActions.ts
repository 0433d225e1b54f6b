import type { Block, PlanEdit, TimedBlock } from '@warm-ladder/core/plan';
import type { Catalog, DoseChange } from '@warm-ladder/core/repertoire';
import { type KeyboardEvent, useEffect, useMemo, useRef } from 'react';
import { useClassEdit } from '../../app/edits';
import { inField } from '../../app/useShortcuts';

export interface RowActions {
  readonly secondsPerCount: number;
  readonly select: (index: number) => void;
  readonly toggle: (index: number) => void;
  readonly edit: (edits: PlanEdit | readonly PlanEdit[], label: string, field?: string) => void;
  readonly set: (
    index: number,
    change: Partial<Omit<Block, 'exercise' | 'dose'>>,
    label: string,
    field?: string,
  ) => void;
  readonly dose: (index: number, dose: DoseChange) => void;
  readonly remove: (index: number) => void;
  readonly move: (from: number, to: number) => void;
  /** Shows what could stand in its place. */
  readonly instead: (index: number) => void;
  readonly joinRun: (index: number, join: boolean) => void;
  readonly keyDown: (event: KeyboardEvent, index: number) => void;
}

interface Standing {
  readonly blocks: readonly TimedBlock[];
  readonly select: (index: number) => void;
  readonly toggle: (index: number) => void;
  readonly instead: (index: number) => void;
}

/** Puts the focus on a row once it is drawn in its new place. */
export const focusRow = (index: number): void => {
  requestAnimationFrame(() => document.getElementById(`block-${index}`)?.focus());
};

/** Everything a row can do, the same functions for every row and every edit, so that rows unchanged stay undrawn. */
export function useRowActions(catalog: Catalog, classId: string, standing: Standing): RowActions {
  const edit = useClassEdit(classId);
  const now = useRef(standing);
  useEffect(() => {
    now.current = standing;
  });
  const { secondsPerCount } = catalog.method;
  return useMemo(() => {
    const nameOf = (index: number) => now.current.blocks[index]?.entry.exercise.name ?? 'a block';
    const go = (index: number) => {
      now.current.select(index);
      focusRow(index);
    };
    const actions: RowActions = {
      secondsPerCount,
      select: (index) => now.current.select(index),
      toggle: (index) => now.current.toggle(index),
      edit,
      set: (index, change, label, field = '') =>
        edit({ kind: 'set', block: index, change }, label, field && `${field} ${index}`),
      dose: (index, dose) =>
        edit(
          { kind: 'dose', block: index, dose },
          `the dose of ${nameOf(index)}`,
          `dose ${index} ${Object.keys(dose)}`,
        ),
      remove: (index) => {
        edit({ kind: 'remove', block: index }, `taking out ${nameOf(index)}`);
        go(Math.max(0, Math.min(index, now.current.blocks.length - 2)));
      },
      move: (from, to) => {
        if (from === to || to < 0 || to >= now.current.blocks.length) return;
        edit({ kind: 'move', from, to }, `moving ${nameOf(from)}`);
        go(to);
      },
      instead: (index) => now.current.instead(index),
      joinRun: (index, join) => edit(runEdits(now.current.blocks, index, join), `the run of ${nameOf(index)}`),
      keyDown: (event, index) => {
        const by = event.key === 'ArrowUp' ? -1 : event.key === 'ArrowDown' ? 1 : 0;
        if (by !== 0 && event.altKey) {
          event.preventDefault();
          actions.move(index, index + by);
        } else if (inField(event.target) || event.target !== event.currentTarget) return;
        else if (by !== 0) {
          event.preventDefault();
          if (now.current.blocks[index + by]) go(index + by);
        } else if (event.key === 'Enter') actions.toggle(index);
        else if (event.key.toLowerCase() === 'i' && !event.ctrlKey && !event.metaKey) actions.instead(index);
        else if (event.key === 'Delete' || event.key === 'Backspace') actions.remove(index);
      },
    };
    return actions;
  }, [edit, secondsPerCount]);
}

/** Joins a block to the run of the one above it, begun if need be, or lets it and what follows it go. */
function runEdits(blocks: readonly TimedBlock[], index: number, join: boolean): PlanEdit[] {
  if (!join) return [{ kind: 'set', block: index, change: { run: undefined } }];
  const above = blocks[index - 1]?.block.run;
  const taken = new Set(blocks.map(({ block }) => block.run));
  const free = Array.from({ length: blocks.length + 1 }, (_, n) => `run-${n + 1}`).find((name) => !taken.has(name));
  const run = above ?? free;
  return [
    { kind: 'set', block: index - 1, change: { run } },
    { kind: 'set', block: index, change: { run } },
  ];
}
