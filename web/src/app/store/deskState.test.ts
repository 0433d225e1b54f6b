import { askedElsewhere, classOpened, deskReducer, noticed } from './deskState';

test('what is noticed, asked and open stand beside each other until they are taken back', () => {
  const after = [classOpened('monday'), noticed({ text: 'Block 3 is gone.' }), askedElsewhere('back')].reduce(
    deskReducer,
    deskReducer(undefined, { type: 'begin' }),
  );
  expect(after).toEqual({ lastClass: 'monday', notice: { text: 'Block 3 is gone.' }, asked: 'back' });
  expect(deskReducer(after, noticed(null))).toEqual({ ...after, notice: null });
  expect(deskReducer(after, { type: 'another' })).toBe(after);
});
