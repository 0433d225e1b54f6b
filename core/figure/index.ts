export { cameraFor, PLAIN_VIEWS, type PlainView, plainViewOf, type Spot, type View } from './camera';
export {
  bodyInRoom,
  type Drawing,
  drawingOf,
  type Frame,
  frameOf,
  inRoom,
  type JointName,
  jointsOf,
  type Layer,
  plantedIn,
  roomPlace,
  type Tone,
  type TrunkPoint,
} from './drawing';
export { type DrawnPhase, isOnFloor, phasesOf, rungScene, type Scene, type Shown, sceneOf } from './scene';
export { OUTLINE } from './shapes';
export { FLOOR_LINE, ON_PAPER, STROKES, svgOf } from './svg';

export { viewOfRung } from './viewOfRung';
export { FORM_WORDS, type WrongForm, wrongFormsOf } from './wrongForms';
