import { reviewBundle } from '@warm-ladder/core/formats';
import { demoFiles } from '@warm-ladder/core/testing';
import { readFiles } from './files';

const { bundle } = readFiles(demoFiles());
const { classes, series, ladderTau } = reviewBundle(bundle);

test('its faulty class has something to say at every severity, its other classes and its series nothing to mend', () => {
  const severities = new Set(classes['choir-first-draft']?.findings.map(({ severity }) => severity));
  expect(severities).toEqual(new Set(['stop', 'fix', 'look']));
  expect(series['bench-to-mat']?.findings.filter(({ severity }) => severity !== 'look')).toEqual([]);
  for (const own of Object.values(series))
    expect(own.findings.filter(({ severity }) => severity !== 'look')).toEqual([]);
  // Whatever is no draft is as a director would teach it.
  const badly = Object.entries(classes).filter(
    ([id, { score, findings }]) =>
      !id.endsWith('draft') && (score.parts.craft >= 10 || findings.some(({ severity }) => severity !== 'look')),
  );
  expect(badly.map(([id]) => id)).toEqual([]);
  expect(Object.keys(classes).filter((id) => !id.endsWith('draft')).length).toBeGreaterThanOrEqual(12);
});

test('ladders climb: Kendall’s tau of heat over the demo’s own ladders, none set by hand, is at least 0.95', () => {
  const rungs = (bundle.exercises ?? []).flatMap((exercise) => exercise.rungs);
  expect(rungs.filter((rung) => rung.heatOverride)).toEqual([]);
  expect(ladderTau).toBeGreaterThanOrEqual(0.95);
});
