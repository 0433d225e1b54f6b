import {
  chaptersVtt,
  coverHandout,
  equipmentHandout,
  homeHandout,
  markdownOf,
  oneSheet,
  planCsv,
  roomCardHandout,
  scriptHandout,
  spokenIn,
  vttOf,
  wholeTerm,
} from '../handouts';
import { must } from '../testing/studio';
import { reviewVoice, silenceOf } from '../voice';
import { line, lines, studio } from './recorded';

// What is said and printed of three classes, word by word: see judgement.test.ts.

const HANDOUTS = { script: scriptHandout, sheet: oneSheet, card: roomCardHandout, cover: coverHandout };

describe.each(['rowers-balance', 'potters-forearms', 'choir-first-draft'])('%s', (id) => {
  const spoken = must(spokenIn(studio, id) ?? undefined);

  test.each(Object.entries(HANDOUTS))('the %s', (_, handout) => {
    expect(markdownOf(handout(spoken))).toMatchSnapshot();
  });
  test('what to take home, what is needed, and the plan as a table', () => {
    const papers = [homeHandout, equipmentHandout].map((handout) => markdownOf(handout(spoken)));
    expect([...papers, planCsv(spoken)].join('\n')).toMatchSnapshot();
  });
  test('captions and chapters', () => {
    expect(`${vttOf(spoken.script)}\n${chaptersVtt(spoken.script)}`).toMatchSnapshot();
  });
  test('what is heard in it', () => {
    const record = reviewVoice(spoken.voice).map(
      ({ code, severity, ids, value, limit, unit, message, remedies, lines: about }) =>
        `${code} ${severity} ${line({ ids, value, limit, unit, about })} ${message} ${line(remedies)}`,
    );
    expect(lines([`silence ${line(silenceOf(spoken.voice))}`, ...record])).toMatchSnapshot();
  });
});

test('the whole term', () => {
  expect(markdownOf(wholeTerm(studio))).toMatchSnapshot();
});
