import { readCaptions } from '..';

test('WebVTT, SRT and timed lines are read to the same captions', () => {
  const vtt =
    'WEBVTT\n\nNOTE not this\n\n1\n00:00:01.500 --> 00:00:04.000 align:start\n<v Tam>Lie &amp; rest\nlong\n\n00:04.000 --> 00:06.000\nKnees up\n';
  const srt =
    '1\r\n00:00:01,500 --> 00:00:04,000\r\nLie & rest\r\nlong\r\n\r\n2\r\n00:00:04,000 --> 00:00:06,000\r\nKnees up\r\n';
  const bare = (all: ReturnType<typeof readCaptions>) => all.map(({ from, to, text }) => ({ from, to, text }));
  const expected = [
    { from: 1.5, to: 4, text: 'Lie & rest long' },
    { from: 4, to: 6, text: 'Knees up' },
  ];
  expect(bare(readCaptions(vtt))).toEqual(expected);
  expect(bare(readCaptions(srt))).toEqual(expected);
  const lines = readCaptions('0:01.5 Lie & rest\nlong\n\n4 Knees up\n1:02:03 Roll over');
  expect(lines.map(({ from, text }) => [from, text])).toEqual([
    [1.5, 'Lie & rest long'],
    [4, 'Knees up'],
    [3723, 'Roll over'],
  ]);
});

test('captions that overlap are read', () => {
  const cues = readCaptions('WEBVTT\n\n00:01.000 --> 00:05.000\none\n\n00:03.000 --> 00:06.000\ntwo\n');
  expect(cues.map(({ from, to }) => [from, to])).toEqual([
    [1, 5],
    [3, 6],
  ]);
});

test.each([
  ['', /^Line 1: The file is empty/],
  [
    'WEBVTT\n\n00:05.000 --> 00:06.000\nb\n\n00:01.000 --> 00:02.000\na\n',
    /^Line 6: It begins at 0:01.000, before the one above/,
  ],
  ['WEBVTT\n\n00:05.000 --> 00:04.000\nb\n', /^Line 3: It ends at 0:04.000, before it begins/],
  ['WEBVTT\n\n00:05 -> soon --> 00:xx\nb\n', /^Line 3: .* holds no two times/],
  ['Dear studio,\nall is well', /^Line 1: There is no time/],
  ['WEBVTT\n\n00:01.000 --> 00:02.000\n\n', /^Line 1: Nothing is said/],
  [
    'WEBVTT\n\n11:00:01.000 --> 11:00:02.000\nlate\n',
    /^Line 3: It ends at 660:02.000; expected a class of 10 hours at most/,
  ],
])('what can’t be read is refused with its line: %j', (file, says) => {
  expect(() => readCaptions(file)).toThrow(says);
});
