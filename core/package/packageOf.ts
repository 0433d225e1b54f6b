import { CONDITIONS } from '../caution';
import {
  chaptersVtt,
  markdownOf,
  practiceWords,
  type SpokenClass,
  scriptHandout,
  spokenClass,
  vttOf,
} from '../handouts';
import { clock, fromSeries, spell } from '../review';
import { GENERAL_ADVICE } from '../script';
import { followedBy, reviewSeries, type Series, type WholeStudio } from '../series';
import { heatWord } from '../vocabulary/bodies/heatSteps';
import { type Digest, MANIFEST, type PackageFiles } from './files';
import type { PackageManifest } from './packageSchema';

/**
 * A series on demand as files: for each episode its chapters, captions and script, the page of the series, and a manifest
 * that names them all with their sums.
 * @throws PlanError when a class does not fit the repertoire
 */
export async function packageOf(studio: WholeStudio, series: Series, digest: Digest): Promise<PackageFiles> {
  const review = reviewSeries(studio, series);
  const files: Record<string, string> = {};
  const before = followedBy(studio, series).at(-1);
  // What the series follows is done before all of it.
  const titles: string[] = before ? [before.name] : [];
  const episodes = review.episodes.map(({ plan, before: learnt, episode }): PackageManifest['episodes'][number] => {
    const audience = studio.audienceOf(plan.audience);
    const earlier = new Set(learnt.keys.filter((key) => learnt.count(key).taught > 0));
    const spoken = spokenClass(studio.catalog, plan, {
      audience,
      earlier,
      ...fromSeries(plan.id, [series], studio.classOf),
    });
    const folder = `${String(episode + 1).padStart(2, '0')}-${plan.id}`;
    const own = {
      chapters: `${folder}/chapters.vtt`,
      captions: `${folder}/captions.vtt`,
      script: `${folder}/script.md`,
    };
    files[own.chapters] = chaptersVtt(spoken.script);
    files[own.captions] = vttOf(spoken.script);
    files[own.script] = markdownOf(scriptHandout(spoken));
    const title = series.episodes[episode]?.title ?? plan.name;
    const doFirst = [...titles];
    titles.push(title);
    return { class: plan.id, title, ...aboutOf(spoken), doFirst, files: own };
  });
  files['series.md'] = pageOf(series, episodes, before?.name);
  const sums: Record<string, string> = {};
  for (const [path, text] of Object.entries(files)) sums[path] = await digest(text);
  const practice = practiceWords(series);
  const manifest: PackageManifest = {
    format: 'warm-ladder/package',
    version: 1,
    series: {
      id: series.id,
      name: series.name,
      ...(series.forWhom ? { forWhom: series.forWhom } : {}),
      ...(series.seeFirst ? { seeFirst: series.seeFirst } : {}),
      ...(before ? { follows: before.name } : {}),
      ...(practice ? { weekly: practice } : {}),
      page: 'series.md',
    },
    episodes,
    sums,
  };
  return { [MANIFEST]: `${JSON.stringify(manifest, null, 2)}\n`, ...files };
}

/** What there is to know of an episode before it is begun. */
function aboutOf({ catalog, plan, timed, script, conditions }: SpokenClass) {
  const heats = timed.blocks.map(({ entry }) => catalog.heat(entry));
  const props = new Map(timed.blocks.flatMap(({ entry }) => entry.props.map((prop) => [prop.id, prop] as const)));
  const names = [...new Set(timed.blocks.map(({ entry }) => entry.exercise.name))];
  const [least, most] = [Math.min(100, ...heats), Math.max(0, ...heats)];
  return {
    seconds: Math.round(script.seconds * 1000) / 1000,
    level: `From ${heatWord(least)} to ${heatWord(most)}`,
    cautions: [GENERAL_ADVICE, ...conditions.map((each) => `${CONDITIONS[each].name}: ${CONDITIONS[each].always}`)],
    equipment: [
      { name: 'A mat', standIn: 'a folded blanket' },
      ...[...props.values()].map(({ name, standIn }) => ({ name, ...(standIn ? { standIn } : {}) })),
    ],
    description: plan.notes ?? `${spell(script.seconds)}: ${names.join(', ')}.`,
    rungs: timed.sequence.flatMap((part) =>
      part.kind === 'block' ? [{ from: Math.round(part.startSeconds * 1000) / 1000, rung: part.entry.key }] : [],
    ),
  };
}

/** The text of the series' page. */
function pageOf(series: Series, episodes: PackageManifest['episodes'], before: string | undefined): string {
  const lines = [
    `# ${series.name}`,
    ...(before ? [`Do this first: ${before}.`] : []),
    ...(series.forWhom ? [`**For whom.** ${series.forWhom}`] : []),
    ...(series.seeFirst ? [`**Ask a professional first.** ${series.seeFirst}`] : []),
    ...episodes.map(
      ({ title, seconds, level, equipment, description }, i) =>
        `## ${i + 1}. ${title}\n\n${clock(seconds)}. ${level}. Needs ${equipment.map(({ name }) => name.toLowerCase()).join(', ')}.\n\n${description}`,
    ),
    GENERAL_ADVICE,
  ];
  return `${lines.join('\n\n')}\n`;
}
