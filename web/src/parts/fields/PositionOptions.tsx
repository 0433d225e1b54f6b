import type { PositionGraph } from '@warm-ladder/core/body';

/** Every position of the studio, as the choices of a list. */
export const PositionOptions = ({ graph }: { graph: PositionGraph }) =>
  graph.positions.map((position) => (
    <option key={position} value={position}>
      {graph.name(position)}
    </option>
  ));
