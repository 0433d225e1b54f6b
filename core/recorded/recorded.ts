import { studioOf } from '../formats';
import { demoBundle } from '../testing/demo';
import { must } from '../testing/studio';

/** Never today: what is recorded is the same on every day. */
export const DAY = '2026-12-02';

export const bundle = demoBundle();
export const studio = studioOf(bundle, { today: DAY });
export const planOf = (id: string) => must(studio.classOf(id));

/**
 * A value on one line, for a record that is read when it changes: numbers with four digits that count, so that no
 * machine's last bit is part of it.
 */
export const line = (value: unknown): string =>
  JSON.stringify(value, (_, each) => (typeof each === 'number' ? Number(each.toPrecision(4)) : each)) ?? 'nothing';

/** Lines below each other, with an empty one at both ends for the record's own quotes. */
export const lines = (values: readonly unknown[]): string =>
  `\n${values.map((each) => (typeof each === 'string' ? each : line(each))).join('\n')}\n`;

/** Each key of a record on its line. */
export const rows = (record: object): string[] => Object.entries(record).map(([key, value]) => `${key} ${line(value)}`);
