import type { RungBlock } from '@warm-ladder/core/plan';
import type { RungEntry } from '@warm-ladder/core/repertoire';
import type { ReactNode } from 'react';
import type { TileActions } from '../../strip/useTileActions';

/** What a row of a block's details works on. */
export interface RowProps {
  readonly index: number;
  readonly block: RungBlock;
  readonly entry: RungEntry;
  readonly run: 'joined' | 'possible' | null;
  readonly carries: boolean;
  /** Whether position and props stay, so that it could be said to carry on. */
  readonly mayCarry: boolean;
  readonly actions: TileActions;
  readonly set: (change: Parameters<TileActions['set']>[1], label: string, field?: string) => void;
}

/** What is chosen or typed, under its name. */
export const Field = ({ name, children }: { name: string; children: ReactNode }) => (
  <span className="flex flex-col">
    <span className="text-sm text-soft" aria-hidden="true">
      {name}
    </span>
    {children}
  </span>
);
