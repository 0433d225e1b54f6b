import type { Teacher } from '../../plan';
import type { Prop, RungEntry } from '../../repertoire';
import { rungTitle } from '../../review';
import { isOver } from '../../vocabulary/measure';
import { type Occasion, occasionsOf, overlap } from '../dates';
import {
  episodeAt,
  episodeName,
  type SeriesEpisode,
  type SeriesFound,
  type SeriesRule,
  type SeriesSubject,
  type WholeStudio,
} from '../seriesRule';
import type { Series } from '../seriesSchema';

const lengthOf =
  ({ studio }: Dated) =>
  (id: string) =>
    studio.classOf(id)?.targetMinutes ?? 0;

const teacherNotCleared: SeriesRule = {
  code: 'TEACHER_NOT_CLEARED',
  severity: 'fix',
  unit: 'times',
  presence: true,
  limit: 'the heat and the audiences a teacher is cleared for',
  says: 'a teacher is not cleared for an episode',
  find: (subject) =>
    subject.episodes.flatMap((each): SeriesFound[] => {
      const { heat, audiences } = teacherOf(subject, each)?.cleared ?? {};
      const { episode } = each;
      const hottest = hottestOf(subject, each);
      const most = hottest ? subject.studio.catalog.heat(hottest) : 0;
      const whose = audienceOf(subject, each);
      return [
        ...(heat !== undefined && isOver(most, heat, 'heat') ? [{ episode }] : []),
        ...(audiences && whose !== undefined && !audiences.includes(whose) ? [{ episode, about: whose }] : []),
      ];
    }),
  sentence: ({ episode, about }, subject) => {
    const { studio, audience } = subject;
    const each = episodeAt(subject, episode);
    const teacher = teacherOf(subject, each);
    const who = `${episodeName(each)}: ${teacher?.name}`;
    if (about) return `${who} is not cleared for ${studio.audienceOf(about)?.name ?? audience?.name ?? about}.`;
    const hottest = hottestOf(subject, each) as RungEntry;
    const [may, has] = [teacher?.cleared?.heat ?? 0, studio.catalog.heat(hottest)];
    return `${who} may teach up to heat ${Math.round(may)}; ${rungTitle(hottest)} has ${Math.round(has)}.`;
  },
};

const teacherOf = ({ series, studio }: SeriesSubject, { episode }: SeriesEpisode): Teacher | undefined =>
  studio.teacherOf(series.episodes[episode]?.teacher ?? series.schedule?.teacher);

/** The id of the audience that an episode is for. */
const audienceOf = ({ series }: SeriesSubject, { plan }: SeriesEpisode): string | undefined =>
  plan.audience ?? series.audience;

function hottestOf({ studio: { catalog } }: SeriesSubject, { timed }: SeriesEpisode): RungEntry | undefined {
  const [hottest] = timed.blocks.toSorted((a, b) => catalog.heat(b.entry) - catalog.heat(a.entry));
  return hottest?.entry;
}

const dateClash: SeriesRule = {
  code: 'DATE_CLASH',
  severity: 'fix',
  unit: 'times',
  presence: true,
  limit: 'one class at a time in a room and for a teacher; no class on a skipped day, or when its teacher is away',
  says: 'an episode falls where it can’t be taught',
  find: datesClashing,
  sentence: clashSentence,
};

type Dated = Pick<SeriesSubject, 'series' | 'studio'>;

function datesClashing(subject: Dated): SeriesFound[] {
  const { series, studio } = subject;
  const length = lengthOf(subject);
  const own = occasionsOf(series, length);
  const others = studio.allSeries.flatMap((each) => (each.id === series.id ? own : occasionsOf(each, length)));
  const skipped = new Set(series.schedule?.skip ?? []);
  return own.flatMap((occasion): SeriesFound[] => {
    const { episode, day, room, teacher } = occasion;
    const found: SeriesFound[] = [];
    if (skipped.has(day)) found.push({ episode, about: 'skipped' });
    if (awayOn(studio.teacherOf(teacher), day)) found.push({ episode, about: 'away' });
    for (const other of others) {
      // Of two episodes of one series the later one says it.
      const same = other.series.id === series.id;
      if ((same && other.episode >= episode) || !overlap(occasion, other)) continue;
      const there = `${other.episode} ${other.series.id}`;
      if (room !== undefined && room === other.room) found.push({ episode, about: `room ${there}` });
      if (teacher !== undefined && teacher === other.teacher) found.push({ episode, about: `teacher ${there}` });
    }
    return found;
  });
}

function clashSentence({ episode, about = '' }: SeriesFound, subject: Dated): string {
  const { series, studio } = subject;
  const occasion = occasionsOf(series, lengthOf(subject)).find((each) => each.episode === episode) as Occasion;
  const { day, room = '', teacher = '' } = occasion;
  const who = studio.teacherOf(teacher);
  const [what, at, ...ids] = about.split(' ');
  const other = ids.join(' ');
  const there = `episode ${Number(at) + 1} of ${studio.allSeries.find(({ id }) => id === other)?.name ?? series.name}`;
  const said = {
    skipped: () => 'the day is skipped.',
    away: () => {
      const { from, to } = awayOn(who, day) ?? {};
      return `${who?.name} is away from ${from} to ${to}.`;
    },
    room: () => `${studio.roomOf(room)?.name ?? room} is taken by ${there}.`,
    teacher: () => `${who?.name ?? teacher} teaches ${there} then.`,
  }[what as 'skipped' | 'away' | 'room' | 'teacher'];
  return `Episode ${episode + 1}, ${day}: ${said()}`;
}

const awayOn = (teacher: Teacher | undefined, day: string) =>
  teacher?.away?.find(({ from, to }) => from <= day && day <= to);

/** What keeps a series from being taught on its days, in sentences by episode: nothing of its classes is measured for it. */
export function clashesOf(studio: WholeStudio, series: Series): ReadonlyMap<number, readonly string[]> {
  const said = new Map<number, string[]>();
  for (const found of datesClashing({ studio, series })) {
    said.set(found.episode, [...(said.get(found.episode) ?? []), clashSentence(found, { studio, series })]);
  }
  return said;
}

/** What is needed of each prop by everybody at once: the most of it in any block. */
function propsOf({ timed }: SeriesEpisode): ReadonlyMap<string, Prop> {
  return new Map(timed.blocks.flatMap(({ entry }) => entry.props.map((prop) => [prop.id, prop] as const)));
}

const propsShort: SeriesRule = {
  code: 'PROPS_SHORT',
  severity: 'fix',
  unit: 'times',
  limit: 'one of each prop for everybody, of those the room has',
  says: 'the room has too few of a prop',
  find: ({ series, studio, episodes }) => {
    const { group, room: id } = series.schedule ?? {};
    const room = studio.roomOf(id);
    if (group === undefined || !room?.props) return [];
    return episodes.flatMap((each) =>
      [...propsOf(each).values()].flatMap((prop): SeriesFound[] => {
        const there = room.props?.[prop.id] ?? 0;
        if (there >= group) return [];
        return [
          {
            episode: each.episode,
            about: prop.id,
            value: group,
            limit: there,
          },
        ];
      }),
    );
  },
  sentence: ({ episode, about, value, limit }, subject) => {
    const { studio, series } = subject;
    const room = studio.roomOf(series.schedule?.room)?.name;
    return `${episodeName(episodeAt(subject, episode))} needs ${value} of “${studio.catalog.prop(about)?.name}”; ${room} has ${limit}.`;
  },
};

const roomSmall: SeriesRule = {
  code: 'ROOM_SMALL',
  severity: 'fix',
  unit: 'times',
  limit: 'as many people as the room holds',
  says: 'more people come than the room holds',
  find: ({ series, studio, episodes }) => {
    const { group, room: id } = series.schedule ?? {};
    const room = studio.roomOf(id);
    if (group === undefined || room?.size === undefined || group <= room.size || episodes.length === 0) return [];
    return [{ episode: 0, value: group, limit: room.size }];
  },
  sentence: ({ value, limit }, { studio, series }) =>
    `${value} people come, and ${studio.roomOf(series.schedule?.room)?.name} holds ${limit}.`,
};

/** Episodes from which a prop that comes once is worth a word. */
const LONG = 4;

const propOnce: SeriesRule = {
  code: 'PROP_ONCE',
  severity: 'look',
  unit: 'times',
  presence: true,
  limit: `from ${LONG} episodes on: what is fetched for one is used in another`,
  says: 'a prop is needed in one episode alone',
  find: ({ episodes }) => {
    if (episodes.length < LONG) return [];
    const all = episodes.map(propsOf);
    return episodes.flatMap((each, i) =>
      [...(all[i] ?? [])]
        .filter(([id]) => all.filter((props) => props.has(id)).length === 1)
        .map(([id]) => ({ episode: each.episode, about: id })),
    );
  },
  sentence: ({ episode, about }, subject) =>
    `${episodeName(episodeAt(subject, episode))} alone needs “${subject.studio.catalog.prop(about)?.name}”.`,
};

export const PLACE_RULES: readonly SeriesRule[] = [teacherNotCleared, dateClash, propsShort, roomSmall];
/** Worth a look only once all is earned and placed. */
export const PROP_RULES: readonly SeriesRule[] = [propOnce];
