import type { Prop } from '../../repertoire';
import { rungTitle } from '../../review';
import { isOver } from '../../vocabulary/measure';
import { type Occasion, occasionsOf, overlap } from '../dates';
import { episodeName, type SeriesEpisode, type SeriesFound, type SeriesRule, type SeriesSubject } from '../seriesRule';

const lengthOf =
  ({ studio }: SeriesSubject) =>
  (id: string) =>
    studio.classOf(id)?.targetMinutes ?? 0;

const teacherNotCleared: SeriesRule = {
  code: 'TEACHER_NOT_CLEARED',
  severity: 'fix',
  unit: 'times',
  presence: true,
  limit: 'the heat and the audiences a teacher is cleared for',
  says: 'a teacher is not cleared for an episode',
  find: ({ series, studio, episodes, audience }) =>
    episodes.flatMap((each): SeriesFound[] => {
      const teacher = studio.teacherOf(series.episodes[each.episode]?.teacher ?? series.schedule?.teacher);
      const { heat, audiences } = teacher?.cleared ?? {};
      if (!teacher) return [];
      const too = (sentence: string) => ({
        episode: each.episode,
        sentence: () => `${episodeName(each)}: ${sentence}`,
      });
      const found: SeriesFound[] = [];
      const [hottest] = each.timed.blocks.toSorted(
        (a, b) => studio.catalog.heat(b.entry) - studio.catalog.heat(a.entry),
      );
      const most = hottest ? studio.catalog.heat(hottest.entry) : 0;
      if (hottest && heat !== undefined && isOver(most, heat, 'heat')) {
        found.push(
          too(
            `${teacher.name} may teach up to heat ${Math.round(heat)}; ${rungTitle(hottest.entry)} has ${Math.round(most)}.`,
          ),
        );
      }
      const whose = each.plan.audience ?? series.audience;
      if (audiences && whose !== undefined && !audiences.includes(whose)) {
        found.push(
          too(`${teacher.name} is not cleared for ${studio.audienceOf(whose)?.name ?? audience?.name ?? whose}.`),
        );
      }
      return found;
    }),
};

const inWords = ({ series, episode }: Occasion): string => `episode ${episode + 1} of ${series.name}`;

const dateClash: SeriesRule = {
  code: 'DATE_CLASH',
  severity: 'fix',
  unit: 'times',
  presence: true,
  limit: 'one class at a time in a room and for a teacher; no class on a skipped day, or when its teacher is away',
  says: 'an episode falls where it can’t be taught',
  find: (subject) => {
    const { series, studio } = subject;
    const length = lengthOf(subject);
    const own = occasionsOf(series, length);
    const others = studio.allSeries.flatMap((each) => (each.id === series.id ? own : occasionsOf(each, length)));
    const skipped = new Set(series.schedule?.skip ?? []);
    return own.flatMap((occasion): SeriesFound[] => {
      const { episode, day, room, teacher } = occasion;
      const clash = (sentence: string) => ({
        episode,
        sentence: () => `Episode ${episode + 1}, ${day}: ${sentence}`,
      });
      const found: SeriesFound[] = [];
      if (skipped.has(day)) found.push(clash('the day is skipped.'));
      const who = studio.teacherOf(teacher);
      const away = who?.away?.find(({ from, to }) => from <= day && day <= to);
      if (who && away) found.push(clash(`${who.name} is away from ${away.from} to ${away.to}.`));
      for (const other of others) {
        // Of two episodes of one series the later one says it.
        const same = other.series.id === series.id;
        if ((same && other.episode >= episode) || !overlap(occasion, other)) continue;
        if (room !== undefined && room === other.room) {
          found.push(clash(`${studio.roomOf(room)?.name ?? room} is taken by ${inWords(other)}.`));
        }
        if (teacher !== undefined && teacher === other.teacher) {
          found.push(clash(`${who?.name ?? teacher} teaches ${inWords(other)} then.`));
        }
      }
      return found;
    });
  },
};

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
            value: group,
            limit: there,
            sentence: () => `${episodeName(each)} needs ${group} of “${prop.name}”; ${room.name} has ${there}.`,
          },
        ];
      }),
    );
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
    return [
      {
        episode: 0,
        value: group,
        limit: room.size,
        sentence: () => `${group} people come, and ${room.name} holds ${room.size}.`,
      },
    ];
  },
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
        .map(([, prop]) => ({
          episode: each.episode,
          sentence: () => `${episodeName(each)} alone needs “${prop.name}”.`,
        })),
    );
  },
};

export const PLACE_RULES: readonly SeriesRule[] = [teacherNotCleared, dateClash, propsShort, roomSmall];
/** Worth a look only once all is earned and placed. */
export const PROP_RULES: readonly SeriesRule[] = [propOnce];
