import { type Block, type ClassPlan, isInterlude, type Line } from '@warm-ladder/core/plan';
import { withRung } from '@warm-ladder/core/repertoire';
import {
  cuesWithOwn,
  type ScriptLine,
  type ScriptSection,
  withLineAdded,
  withLineSaid,
  withoutOwn,
} from '@warm-ladder/core/script';
import { useClassEdit } from '../../app/store/edits';
import { selectCatalog } from '../../app/store/selectors';
import { store, useAppDispatch } from '../../app/store/store';
import { changed, undone } from '../../app/store/studio';
import type { LineActions } from './SpokenLine';

/** A line about to become its rung's own: where it is said is shown first. */
export interface Owning {
  readonly block: Block;
  readonly line: ScriptLine;
}

/** What can be done with the lines of each section; `null` where nothing of it is the class's to say. */
export function useLineActions(plan: ClassPlan, onOwning: (owning: Owning) => void) {
  const edit = useClassEdit(plan.id);
  const dispatch = useAppDispatch();

  const write = (block: Block, lines: readonly Line[], label: string, field = '') => {
    const change = { lines: lines.length > 0 ? [...lines] : null };
    edit({ kind: isInterlude(block) ? 'interlude' : 'set', id: block.id, change }, label, field);
  };
  /** Undone only while it is the last thing done. */
  const takeBack = (field: string) => {
    if (store.getState().studio.past.at(-1)?.field === field) dispatch(undone());
  };

  const actionsFor = (section: ScriptSection): LineActions | null => {
    const block = section.block === null ? undefined : plan.blocks[section.block];
    if (!block) return section.kind === 'opening' || section.kind === 'closing' ? wordActions(section) : null;
    return {
      say: (id, text, field) => write(block, withLineSaid(block, section, id, text), 'what is said', field),
      takeBack,
      asTheRung: (id) => write(block, withoutOwn(block, section, id), 'what the rung says'),
      ofTheRung: (id) => {
        const line = section.lines.find((each) => each.id === id);
        if (line) onOwning({ block, line });
      },
    };
  };

  /** Opening and closing words are the class's own, a sentence a line. */
  const wordActions = ({ kind, lines }: ScriptSection): LineActions => {
    const key = kind === 'opening' ? 'openingWords' : 'closingWords';
    return {
      say: (id, text, field) => {
        const words = lines.filter(({ said }) => said).flatMap((line) => (line.id === id ? (text ?? []) : line.text));
        edit({ kind: 'class', change: { [key]: words.length > 0 ? words : null } }, 'what is said', field);
      },
      takeBack,
      asTheRung: () => {},
      ofTheRung: () => {},
    };
  };

  const add = (section: ScriptSection, kind: ScriptLine['kind'], text: string) => {
    const block = section.block === null ? undefined : plan.blocks[section.block];
    if (block) write(block, withLineAdded(block, section, kind, text), 'a line');
  };

  /** The rung and the class in one step of undo: the words are the rung's now, and no longer the class's own. */
  const own = ({ block, line }: Owning) => {
    if (isInterlude(block)) return;
    const exercise = selectCatalog(store.getState()).exercise(block.exercise);
    const step = exercise?.rungs.findIndex(({ id }) => id === block.rung) ?? -1;
    if (!exercise || step < 0) return;
    const learnt = withRung(exercise, step, (rung) => ({ ...rung, cues: cuesWithOwn(rung, block, line) }));
    const lines = withoutOwn(block, { lines: [line], pass: 1 }, line.id);
    const { lines: _own, ...rest } = block;
    const freed: Block = lines.length > 0 ? { ...rest, lines } : rest;
    const blocks = plan.blocks.map((each) => (each.id === block.id ? freed : each));
    dispatch(
      changed({
        documents: [
          { kind: 'exercises', id: exercise.id, after: learnt },
          { kind: 'classes', id: plan.id, after: { ...plan, blocks } },
        ],
        label: `the words of ${exercise.name}`,
        field: '',
      }),
    );
  };

  return { actionsFor, add, own };
}
