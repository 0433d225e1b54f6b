import { timeClass } from '../../plan';
import { occasionsOf, timeText } from '../../series';
import type { Programme } from '../../wire/answers';
import type { Documents } from '../file/documents';

/**
 * What is taught from one day to another, in the order it begins, and every class by name.
 * @param from, to days, `YYYY-MM-DD`, both among them
 */
export function programmeOf(studio: Documents, from: string, to: string): Programme {
  const called = (kind: 'teachers' | 'rooms' | 'classes', id: string | undefined) => {
    const found = id === undefined ? undefined : studio.get(kind, id);
    return found ? { id: found.id, name: found.name } : null;
  };
  const known = new Map<string, number>();
  const minutes = (id: string): number => {
    const told = known.get(id) ?? timed(id);
    known.set(id, told);
    return told;
  };
  const timed = (id: string): number => {
    const plan = studio.get('classes', id);
    if (!plan) return 0;
    const audience = plan.audience === undefined ? undefined : studio.get('audiences', plan.audience);
    return Math.ceil(timeClass(studio.catalog, plan, { audience }).seconds / 60);
  };
  const occasions = studio
    .list('series')
    // Only what falls into these days is timed.
    .flatMap((series) => occasionsOf(series, () => 0))
    .filter(({ day }) => day >= from && day <= to)
    .sort((a, b) => a.day.localeCompare(b.day) || (a.from ?? 0) - (b.from ?? 0));
  return {
    occasions: occasions.map(({ series, episode, class: id, day, from: begins, teacher, room }) => ({
      day,
      from: begins === null ? null : timeText(begins),
      minutes: minutes(id),
      class: called('classes', id) ?? { id, name: id },
      series: { id: series.id, name: series.name },
      episode,
      teacher: called('teachers', teacher),
      room: called('rooms', room),
    })),
    classes: studio.list('classes').map(({ id, name, targetMinutes }) => ({ id, name, minutes: targetMinutes })),
    teachers: studio.list('teachers').map(({ id, name }) => ({ id, name })),
  };
}
