import type { Drawing, frameOf, View } from './drawing';
import { FAR_OPACITY, FLOOR, HEAD_RADIUS, MAT, WIDTHS } from './look';

/** The ring of breath: where it is, how small it is when empty, and how much it swells. */
const RING = { x: 0.1, y: 0.14, empty: 0.025, full: 0.055, line: 0.016 } as const;

/** Paints one moment of a moving body: its drawing, and how full of air it is from 0 to 1. */
export type Painter = (drawing: Drawing, air: number) => void;

/**
 * A painter for a canvas, at the sharpness of its screen. Two dozen figures that redraw themselves sixty times a second
 * are more than a document can lay out; painted, they are not.
 */
export function painterOf(canvas: HTMLCanvasElement, frame: ReturnType<typeof frameOf>, view: View): Painter | null {
  const brush = canvas.getContext('2d');
  if (!brush) return null;
  const style = getComputedStyle(canvas);
  const colour = (name: string) => style.getPropertyValue(`--color-${name}`);
  const [ink, line, shade, moss] = [style.color, colour('line'), colour('shade'), colour('moss')];
  const { clientWidth, clientHeight } = canvas;
  canvas.width = Math.round(clientWidth * devicePixelRatio);
  canvas.height = Math.round(clientHeight * devicePixelRatio);
  const height = frame.height - frame.bottom + FLOOR.under;
  const scale = Math.min(canvas.width / frame.width, canvas.height / height);
  const left = (canvas.width - frame.width * scale) / 2 - frame.x * scale;
  const top = canvas.height - height * scale + frame.height * scale;

  const stroke = (path: string, width: number) => {
    brush.lineWidth = width;
    brush.stroke(new Path2D(path));
  };
  const ground = () => {
    brush.strokeStyle = line;
    if (view !== 'top') {
      stroke(`M${frame.x + FLOOR.margin} ${FLOOR.y}H${frame.x + frame.width - FLOOR.margin}`, FLOOR.width);
      return;
    }
    brush.fillStyle = shade;
    brush.lineWidth = MAT.line;
    brush.beginPath();
    const { x, width } = frame;
    brush.roundRect(
      x + MAT.margin,
      MAT.top - frame.height,
      width - 2 * MAT.margin,
      height - FLOOR.under - MAT.margin,
      MAT.round,
    );
    brush.fill();
    brush.stroke();
  };
  const disc = (x: number, y: number, radius: number) => {
    brush.beginPath();
    brush.arc(x, y, radius, 0, 2 * Math.PI);
  };
  return ({ far, trunk, head, near }, air) => {
    brush.setTransform(1, 0, 0, 1, 0, 0);
    brush.clearRect(0, 0, canvas.width, canvas.height);
    brush.setTransform(scale, 0, 0, scale, left, top);
    brush.lineCap = 'round';
    brush.lineJoin = 'round';
    ground();
    brush.strokeStyle = ink;
    brush.fillStyle = ink;
    brush.globalAlpha = FAR_OPACITY;
    for (const path of far) stroke(path, WIDTHS.far);
    brush.globalAlpha = 1;
    stroke(trunk, WIDTHS.trunk);
    disc(head.x, -head.y, HEAD_RADIUS);
    brush.fill();
    for (const path of near) stroke(path, WIDTHS.near);
    brush.strokeStyle = moss;
    brush.lineWidth = RING.line;
    disc(frame.x + RING.x, RING.y - frame.height, RING.empty + RING.full * air);
    brush.stroke();
  };
}
