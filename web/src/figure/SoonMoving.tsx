import { type ComponentProps, type ComponentType, lazy, Suspense } from 'react';
import type { MovingFigure } from './MovingFigure';

type Props = ComponentProps<typeof MovingFigure>;

/** Stands where a figure would be that could not be fetched: the words go on without it. */
const Unseen = ({ className }: Props) => <div className={className} />;

const Fetched = lazy<ComponentType<Props>>(() =>
  import('./MovingFigure').then((found) => ({ default: found.MovingFigure })).catch(() => ({ default: Unseen })),
);

/** A moving figure fetched after the page it stands on: a phone shows the words first. */
export const SoonMoving = (props: Props) => (
  <Suspense fallback={<Unseen {...props} />}>
    <Fetched {...props} />
  </Suspense>
);
