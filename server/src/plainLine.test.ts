import { sayError } from './plainLine';

test('what moves the cursor of a terminal is printed as what it is; letters, accents and new lines stay', () => {
  const said: string[] = [];
  const spy = jest.spyOn(console, 'error').mockImplementation((line: string) => {
    said.push(line);
  });
  sayError('In classes: \u001b[2J\u009b1A\u0007\r“Töpfer\u2028”\tis no key.\nNothing was read.');
  spy.mockRestore();
  expect(said).toEqual(['In classes: \\x1b[2J\\x9b1A\\x07\\x0d“Töpfer\u2028”\\x09is no key.\nNothing was read.']);
});
