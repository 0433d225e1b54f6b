import { type ComponentProps, Suspense } from 'react';
import { lazily } from '../app/shell/lazily';
import type { RungFigure } from './RungFigure';

type Props = ComponentProps<typeof RungFigure>;

const Fetched = lazily<Props>(
  async () => ({ default: (await import('./RungFigure')).RungFigure }),
  () => null,
);

/** A rung in one picture, drawn once what draws is there: the words beside it don't wait. */
export const SoonRungFigure = (props: Props) => (
  <Suspense fallback={<span className={`inline-block ${props.className ?? ''}`} />}>
    <Fetched {...props} />
  </Suspense>
);
