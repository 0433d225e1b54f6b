import { type Drawing, FLOOR_LINE, type Frame, OUTLINE, STROKES, type Tone } from '@warm-ladder/core/figure';

/** The breath: a point that travels along a short line, how far from the corner, how long and how large. */
const BREATH = { margin: 0.06, length: 0.22, line: 0.008, point: 0.022 } as const;

/** Paints one moment of a moving body: its drawing, and how full of air it is from 0 to 1. */
export type Painter = (drawing: Drawing, air: number) => void;

/**
 * A painter for a canvas, at the sharpness of its screen. Two dozen figures that redraw themselves sixty times a second
 * are more than a document can lay out; painted, they are not.
 * @param mat the outline of the mat where it is seen from above, else a floor is drawn
 */
export function painterOf(canvas: HTMLCanvasElement, frame: Frame, mat: string | null): Painter | null {
  const brush = canvas.getContext('2d');
  if (!brush) return null;
  const style = getComputedStyle(canvas);
  const colour = (name: string) => style.getPropertyValue(`--color-${name}`);
  const [line, shade, moss, sheet, thing] = ['line', 'shade', 'moss', 'sheet', 'thing'].map(colour) as [
    string,
    string,
    string,
    string,
    string,
  ];
  const ink = style.color;
  const fills: Readonly<Record<Exclude<Tone, 'line' | 'way'>, string>> = {
    far: colour('limb-far'),
    trunk: colour('trunk'),
    face: colour('limb-far'),
    near: ink,
    arm: ink,
    prop: thing,
  };
  const { clientWidth, clientHeight } = canvas;
  canvas.width = Math.round(clientWidth * devicePixelRatio);
  canvas.height = Math.round(clientHeight * devicePixelRatio);
  const height = frame.top - frame.bottom + FLOOR_LINE.under;
  const scale = Math.min(canvas.width / frame.width, canvas.height / height);
  const left = (canvas.width - frame.width * scale) / 2 - frame.x * scale;
  const top = canvas.height - height * scale + frame.top * scale;
  const floor = FLOOR_LINE.width / 2 - frame.floor;
  const ground = new Path2D(
    mat ?? `M${frame.x + FLOOR_LINE.margin} ${floor}H${frame.x + frame.width - FLOOR_LINE.margin}`,
  );
  const [breathX, breathY] = [frame.x + BREATH.margin, BREATH.margin - frame.top];

  return ({ layers }, air) => {
    brush.setTransform(1, 0, 0, 1, 0, 0);
    brush.clearRect(0, 0, canvas.width, canvas.height);
    brush.setTransform(scale, 0, 0, scale, left, top);
    brush.lineJoin = 'round';
    const toOutlines = () => brush.setTransform(scale * OUTLINE, 0, 0, scale * OUTLINE, left, top);
    brush.strokeStyle = line;
    brush.lineWidth = FLOOR_LINE.width;
    if (mat) {
      toOutlines();
      brush.fillStyle = shade;
      brush.lineWidth = STROKES.mat;
      brush.fill(ground);
    }
    brush.stroke(ground);
    toOutlines();
    for (const { tone, path } of layers) {
      const shape = new Path2D(path);
      if (tone === 'line' || tone === 'way') {
        brush.strokeStyle = thing;
        brush.lineWidth = STROKES.line;
        brush.stroke(shape);
        continue;
      }
      if (tone === 'arm') {
        brush.strokeStyle = sheet;
        brush.lineWidth = STROKES.halo;
        brush.stroke(shape);
      }
      brush.fillStyle = fills[tone];
      brush.fill(shape);
    }
    brush.setTransform(scale, 0, 0, scale, left, top);
    brush.strokeStyle = moss;
    brush.fillStyle = moss;
    brush.lineWidth = BREATH.line;
    brush.beginPath();
    brush.moveTo(breathX, breathY);
    brush.lineTo(breathX + BREATH.length, breathY);
    brush.stroke();
    brush.beginPath();
    brush.arc(breathX + BREATH.length * air, breathY, BREATH.point, 0, 2 * Math.PI);
    brush.fill();
  };
}
