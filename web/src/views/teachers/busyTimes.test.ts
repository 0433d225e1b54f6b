import { busyDays } from './busyTimes';

const calendar = (...events: string[]) =>
  [
    'BEGIN:VCALENDAR',
    'VERSION:2.0',
    ...events.map((each) => `BEGIN:VEVENT\r\n${each}\r\nEND:VEVENT`),
    'END:VCALENDAR',
  ].join('\r\n');

test('busy days are read by the clock each was written by, in a row as one stretch', () => {
  expect(
    busyDays(
      calendar(
        'UID:1\r\nDTSTART;VALUE=DATE:20270201\r\nDTEND;VALUE=DATE:20270203',
        'UID:2\r\nDTSTART;TZID=Mars/Phobos:20270203T230000\r\nDTEND;TZID=Mars/Phobos:20270204T000000',
        'UID:3\r\nDTSTART:20280228T200000\r\nDTEND:20280301T020000',
      ),
    ),
  ).toEqual([
    { from: '2027-02-01', to: '2027-02-03' },
    { from: '2028-02-28', to: '2028-03-01' },
  ]);
});

test('what repeats is read each time; what is free or called off is left out', () => {
  expect(
    busyDays(
      calendar(
        'UID:1\r\nDTSTART:20270104T090000\r\nDTEND:20270104T100000\r\nRRULE:FREQ=WEEKLY;COUNT=3',
        'UID:2\r\nDTSTART:20270106T090000\r\nDTEND:20270106T100000\r\nTRANSP:TRANSPARENT',
        'UID:3\r\nDTSTART:20270107T090000\r\nDTEND:20270107T100000\r\nSTATUS:CANCELLED',
      ),
    ),
  ).toEqual(['2027-01-04', '2027-01-11', '2027-01-18'].map((day) => ({ from: day, to: day })));
});

test('what is no calendar, or takes no time, is said', () => {
  expect(busyDays('Dear studio')).toBe('this is no calendar; expected iCalendar.');
  expect(busyDays(calendar())).toBe('nothing in it takes time.');
});
