import { z } from 'zod';
import { MODES } from '../plan/kinds';
import { idSchema, nameSchema, noteSchema, rungKeySchema, sideSchema } from '../vocabulary/schemas';
import { DEEDS, LOG_SOURCES } from './kinds';

/** Seconds of a class or of a part of it: ten hours at most. */
const secondsSchema = z.number().min(0).max(36_000);
const seconds = (what: string) => secondsSchema.optional().describe(what);
const reps = z.int().min(0).max(2000).optional();

const plannedPassSchema = z
  .strictObject({
    side: sideSchema.nullable().optional().describe('The side; none where both work at once'),
    startSeconds: seconds('When it was to begin'),
    setup: seconds('Set-up'),
    work: seconds('Work; the seconds of an interlude'),
    reps: reps.describe('Repetitions'),
  })
  .meta({ id: 'PlannedPass', description: 'A side of a block, as it was planned' });

const plannedBlockSchema = z
  .strictObject({
    id: idSchema.describe('The id of the block'),
    name: nameSchema.optional().describe('What it was called'),
    exercise: idSchema.optional().describe('The id of the exercise'),
    rung: idSchema.optional().describe('The id of its rung'),
    passes: z.array(plannedPassSchema).max(2).optional().describe('Its sides in order; one where both work at once'),
    change: seconds('The way to it, with props'),
    sideChange: seconds('Its change of side'),
    options: seconds('Options offered'),
    rest: seconds('Rest after it'),
    carries: z.boolean().optional().describe('Whether it went on in the shape the one before ended in'),
    known: z.boolean().optional().describe('Whether its set-up was more than a guess'),
    mode: z.enum(MODES).optional().describe('How it was to be taught'),
  })
  .meta({ id: 'PlannedBlock', description: 'A block or an interlude, as it was planned' });

const name = nameSchema.optional();
const plannedDaySchema = z
  .strictObject({
    seconds: seconds('How long the class was to last'),
    openingSeconds: seconds('Its opening'),
    closingSeconds: seconds('Its closing'),
    names: z
      .strictObject({
        class: name.describe('The class'),
        teacher: name.describe('The teacher'),
        audience: name.describe('The audience'),
        room: name.describe('The room'),
      })
      .meta({ id: 'LogNames', description: 'What was called what that day' })
      .optional(),
    blocks: z.array(plannedBlockSchema).max(400).optional().describe('Its blocks in order'),
  })
  .meta({
    id: 'PlannedDay',
    description: 'What was planned that day, kept with the log, without the teacher’s own pace',
  });

const passSchema = z
  .strictObject({
    side: sideSchema.nullable().optional().describe('The side; none where both work at once'),
    startSeconds: seconds('When it began'),
    setupSeconds: seconds('How long its set-up took, options with it'),
    workSeconds: seconds('How long its work took'),
    reps: reps.describe('Repetitions done'),
    endSeconds: seconds('When it ended'),
  })
  .meta({ id: 'LoggedPass', description: 'A side of a block, as it was taught' });

const loggedBlockSchema = z
  .strictObject({
    id: idSchema.describe('The id of the block; an added one has an id of its own'),
    did: z.enum(DEEDS).describe('planned; skipped; other: another rung was done; added: it was not planned'),
    rung: rungKeySchema.optional().describe('What was done: exercise/rung'),
    passes: z.array(passSchema).max(2).optional().describe('Its sides in the order they were done'),
    options: z
      .record(idSchema, z.int().min(0).max(1000))
      .optional()
      .describe('How many people took each option, by the id of its rung'),
    faults: z.array(idSchema).max(60).optional().describe('Ids of the fault cues that were seen'),
    note: noteSchema.optional().describe('A note'),
  })
  .meta({ id: 'LoggedBlock', description: 'A block, as it was taught' });

/**
 * What really happened: counts and seconds, nobody's name or health. Any number may be missing. A log outlives what it
 * names, by what was planned that day.
 */
export const logSchema = z
  .strictObject({
    id: idSchema.describe('The id of the log'),
    class: idSchema.describe('The id of the class'),
    series: idSchema.optional().describe('The id of the series it was taught in'),
    episode: z.int().min(0).max(999).optional().describe('Which episode of it, from 0'),
    date: z.iso.date().describe('The day, YYYY-MM-DD'),
    begun: z
      .string()
      .regex(/^([01]\d|2[0-3]):[0-5]\d$/, { message: 'expected a time as 18:30' })
      .optional()
      .describe('When it began, by the clock on the wall'),
    teacher: idSchema.optional().describe('The id of the teacher'),
    audience: idSchema.optional().describe('The id of the audience'),
    room: idSchema.optional().describe('The id of the room'),
    present: z.int().min(0).max(1000).optional().describe('How many people came'),
    source: z.enum(LOG_SOURCES).describe('Written by hand, taught live, read from a take, or rehearsed'),
    plan: plannedDaySchema.optional(),
    openingSeconds: seconds('How long the opening took'),
    closingSeconds: seconds('How long the closing took'),
    endedSeconds: seconds('When it ended'),
    blocks: z.array(loggedBlockSchema).max(600).optional().describe('Its blocks in the order they were done'),
    note: noteSchema.optional().describe('A note'),
  })
  .meta({ id: 'Log', description: 'A class as it was really taught' });
export type Log = z.infer<typeof logSchema>;
export type PlannedDay = z.infer<typeof plannedDaySchema>;
