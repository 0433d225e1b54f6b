import { z } from 'zod';
import { ORDERS } from '../method/choices';
import { choicesSchema } from '../method/methodSchema';
import { rungRefSchema } from '../repertoire/exerciseSchema';
import { idSchema, nameSchema, noteSchema, plainText, sentenceSchema } from '../vocabulary/schemas';
import { WEEKDAYS } from './weekdays';

const day = z.iso.date();

/** Whether calendars know a zone of that name. */
function isTimeZone(name: string): boolean {
  try {
    new Intl.DateTimeFormat('en', { timeZone: name });
    return true;
  } catch {
    return false;
  }
}

const rulesSchema = z
  .strictObject({
    taught: z.int().min(0).max(20).optional().describe('How often a rung is taught before it is earned'),
    practised: z.int().min(0).max(50).optional().describe('How often it is practised before it is earned'),
    recapShare: z
      .number()
      .min(0)
      .max(1)
      .optional()
      .describe('Least share of work known from before, after episode one'),
    newLadders: z.int().min(0).max(50).optional().describe('Most new ladders an episode after the first'),
    heatRise: z.number().min(0).max(5).optional().describe('Most rise of heat-minutes, as a share'),
    easierEvery: z.int().min(0).max(50).optional().describe('One easier episode in this many'),
  })
  .meta({ id: 'SeriesRules', description: 'Rules of a series, in place of the house’s' });

const scheduleSchema = z
  .strictObject({
    start: day.optional().describe('The first day it may begin'),
    days: z.array(z.enum(WEEKDAYS)).max(7).optional().describe('Days of the week it is taught'),
    time: z
      .string()
      .regex(/^([01]\d|2[0-3]):[0-5]\d$/, { message: 'expected a time as 18:30' })
      .optional()
      .describe('When it begins, by the clock on the wall'),
    timeZone: plainText(1, 60)
      .refine(isTimeZone, { message: 'expected a time zone as Europe/Berlin' })
      .optional()
      .describe('The time zone; none: the clock on the wall'),
    skip: z.array(day).max(400).optional().describe('Days it is not taught'),
    room: idSchema.optional().describe('The id of the room'),
    teacher: idSchema.optional().describe('The id of the teacher'),
    group: z.int().min(1).max(1000).optional().describe('How many people come'),
  })
  .meta({ id: 'Schedule', description: 'When and where a series is taught, and by whom' });

const episodeSchema = z
  .strictObject({
    id: idSchema.optional().describe('The id of the episode, where one class may stand twice'),
    class: idSchema.describe('The id of its class'),
    title: nameSchema.optional().describe('What the episode is called'),
    idea: sentenceSchema.optional().describe('Its one idea, on the way to the goal'),
    date: day.optional().describe('The day it is taught'),
    teacher: idSchema.optional().describe('The id of its teacher'),
  })
  .meta({ id: 'Episode', description: 'One class of a series' });

export const seriesSchema = z
  .strictObject({
    id: idSchema.describe('The id of the series'),
    name: nameSchema.describe('What it is called'),
    follows: idSchema.optional().describe('The series it follows: what that one earned counts here'),
    audience: idSchema.optional().describe('The id of its audience'),
    order: z.enum(ORDERS).optional().describe('How its classes are put in order'),
    description: noteSchema.optional().describe('What it is, for those who choose it'),
    choices: choicesSchema.optional().describe('What is chosen otherwise in this series'),
    forWhom: noteSchema.optional().describe('Who this is for'),
    seeFirst: noteSchema.optional().describe('Who should check with a professional before beginning'),
    goals: z.array(rungRefSchema).max(60).optional().describe('Rungs it leads to'),
    rules: rulesSchema.optional(),
    schedule: scheduleSchema.optional(),
    weekly: z
      .strictObject({
        days: z.int().min(0).max(7).optional().describe('Days a week'),
        sets: z.int().min(1).max(20).optional().describe('Sets'),
        reps: z.int().min(1).max(200).optional().describe('Repetitions'),
        note: noteSchema.optional().describe('What to do'),
      })
      .optional()
      .describe('Practice between episodes'),
    episodes: z.array(episodeSchema).max(200).describe('In the order the audience meets them'),
  })
  .meta({ id: 'Series', description: 'Classes that build on one another' });
export type Series = z.infer<typeof seriesSchema>;
