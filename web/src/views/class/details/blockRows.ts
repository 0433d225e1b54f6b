import type { BlockField } from '@warm-ladder/core/plan';
import type { FC } from 'react';
import { DoseRow, GiveRow, RangeRow, RestRow } from './rows/doseRows';
import { OptionsRow } from './rows/OptionsRow';
import type { RowProps } from './rows/row';
import { CarryRow, SetUpRow } from './rows/setUpRows';
import { FirstSideRow, RunRow, SecondSideRow, SidesRow } from './rows/sideRows';

/**
 * Where each field of a block is worked at: a row of its details, in this order, or elsewhere on the desk. A field that
 * is nowhere does not compile.
 */
const ROWS = {
  options: OptionsRow,
  side: SidesRow,
  firstSide: FirstSideRow,
  secondDose: SecondSideRow,
  run: RunRow,
  carry: CarryRow,
  setupSeconds: SetUpRow,
  dose: DoseRow,
  range: RangeRow,
  restAfterSeconds: RestRow,
  give: GiveRow,
  locked: 'the buttons of its details',
  exercise: 'its tile',
  rung: 'its tile',
  mode: 'its tile',
  shown: 'its tile',
  notes: 'the bar of what is chosen',
  lines: 'the script',
} satisfies Record<BlockField, FC<RowProps> | string>;

/** The rows of a block's details, each by the field it is of. */
export const BLOCK_ROWS = Object.entries(ROWS).flatMap(([field, Row]) =>
  typeof Row === 'string' ? [] : [{ field, Row: Row as FC<RowProps> }],
);
