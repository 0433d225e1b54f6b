/** One thing the keyboard does: how its keys are written, and what they do. */
interface Shortcut {
  readonly written: string;
  readonly does: string;
  /** The keys themselves, in small letters, where `means` is asked; arrows and handles are read where they lead. */
  readonly keys?: readonly string[];
}

/** Every shortcut there is, in the order of their list. */
export const SHORTCUTS = {
  undo: { written: 'Ctrl Z', does: 'Undo', keys: ['z'] },
  redo: { written: 'Ctrl Shift Z', does: 'Redo', keys: ['y'] },
  goTo: { written: 'Ctrl K', does: 'Go to a class, a ladder or a view by its name', keys: ['k'] },
  list: { written: '?', does: 'This list', keys: ['?'] },
  add: { written: 'A', does: 'Add a rung to the class', keys: ['a'] },
  walk: {
    written: '← → ↑ ↓ on a block',
    does: 'Go to the next block, or to the line above or below',
  },
  move: {
    written: 'Alt and an arrow on a block',
    does: 'Move the block along the line, or to another one',
  },
  hold: {
    written: 'Space on a handle',
    does: 'Take hold of the block; arrows move it, space lets go',
  },
  choose: {
    written: 'X on a block, Shift ← →',
    does: 'Choose several blocks; Ctrl and a click do the same',
    keys: ['x'],
  },
  closer: { written: '+', does: 'Look at the stairs closer', keys: ['+'] },
  farther: { written: '−', does: 'Look at them from farther away', keys: ['-'] },
  open: { written: 'Enter on a block', does: 'Open or close its details', keys: ['enter'] },
  swap: { written: 'I on a block', does: 'Swap the block for another rung', keys: ['i'] },
  remove: { written: 'Delete on a block', does: 'Remove the block', keys: ['delete', 'backspace'] },
  step: { written: '↑ ↓ in a number', does: 'One more, one less' },
  turn: { written: '← → on a joint', does: 'Turn it a degree; ten with Shift' },
} as const satisfies Readonly<Record<string, Shortcut>>;
type Shortcuts = typeof SHORTCUTS;
/** The shortcuts of one key. */
export type ShortcutId = {
  [Id in keyof Shortcuts]: Shortcuts[Id] extends { readonly keys: readonly string[] } ? Id : never;
}[keyof Shortcuts];

/** Whether a key is that of a shortcut; what is held with it is for who listens. */
export const means = (id: ShortcutId, { key }: Pick<KeyboardEvent, 'key'>): boolean =>
  (SHORTCUTS[id].keys as readonly string[]).includes(key.toLowerCase());
