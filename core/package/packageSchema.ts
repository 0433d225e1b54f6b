import { z } from 'zod';
import { idSchema, nameSchema, noteSchema, plainText } from '../vocabulary/schemas';

const path = z
  .string()
  .regex(/^(?!\/)(?!.*\.\.)[\w./-]+$/, { message: 'expected a path inside the package' })
  .describe('A path inside the package');

/** The manifest of a package of episodes on demand. */
export const packageSchema = z
  .strictObject({
    format: z.literal('warm-ladder/package').describe('What this is'),
    version: z.literal(1).describe('The version of the format'),
    series: z
      .strictObject({
        id: idSchema.describe('The id of the series'),
        name: nameSchema.describe('What it is called'),
        forWhom: noteSchema.optional().describe('Who this is for'),
        seeFirst: noteSchema.optional().describe('Who should check with a professional before beginning'),
        follows: nameSchema.optional().describe('What should be done before it'),
        weekly: noteSchema.optional().describe('Practice between episodes'),
        page: path.describe('The text of its page'),
      })
      .describe('The series'),
    episodes: z
      .array(
        z.strictObject({
          class: idSchema.describe('The id of its class'),
          title: nameSchema.describe('What the episode is called'),
          seconds: z.number().min(1).max(36_000).describe('Exactly how long it is'),
          level: plainText(1, 120).describe('How hard it is, in words'),
          cautions: z.array(plainText(1, 600)).max(60).describe('What to mind'),
          doFirst: z
            .array(nameSchema)
            .max(200)
            .describe('What is to be done before it: the series it follows, and the episodes before it'),
          equipment: z
            .array(
              z.strictObject({
                name: nameSchema.describe('What is needed'),
                standIn: plainText(1, 600).optional().describe('What can stand in for it at home'),
              }),
            )
            .max(60)
            .describe('What is needed'),
          description: plainText(1, 4000).describe('What it is about'),
          rungs: z
            .array(
              z.strictObject({
                from: z.number().min(0).describe('Seconds'),
                rung: plainText(1, 200).describe('exercise/rung'),
              }),
            )
            .max(400)
            .describe('What is done from when on'),
          files: z
            .strictObject({ chapters: path, captions: path, script: path })
            .describe('Its chapters and captions as WebVTT, its script as Markdown'),
        }),
      )
      .min(1)
      .max(200)
      .describe('In the order they are done'),
    sums: z.record(path, z.string().regex(/^[0-9a-f]{64}$/)).describe('SHA-256 of every other file'),
  })
  .meta({ id: 'Package', description: 'Episodes on demand, ready to be put up' });
export type PackageManifest = z.infer<typeof packageSchema>;

/** The JSON Schema of a manifest, as it is published. */
export const packageJsonSchema = () => ({
  title: 'Warm Ladder package',
  ...z.toJSONSchema(packageSchema, { target: 'draft-2020-12', io: 'input' }),
});
