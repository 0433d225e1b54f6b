import { rungScene, svgOf } from '@warm-ladder/core/figure';
import type { RungEntry } from '@warm-ladder/core/repertoire';
import { download, downloadBlob } from '../parts/download';

const WIDTH_PX = 1200;

/** Hands the director a rung's figure as a file. @returns whether there was one to hand */
export async function takePicture(entry: RungEntry, kind: 'svg' | 'png'): Promise<boolean> {
  const { exercise, rung } = entry;
  const scene = rungScene(entry);
  if (!scene) return false;
  const svg = svgOf(scene, `${exercise.name}, ${rung.name}`, WIDTH_PX);
  const name = `${exercise.id}-${rung.id}.${kind}`;
  if (kind === 'svg') {
    download(name, svg, 'image/svg+xml');
    return true;
  }
  const picture = new Image();
  picture.src = `data:image/svg+xml;charset=utf-8,${encodeURIComponent(svg)}`;
  await picture.decode();
  const canvas = document.createElement('canvas');
  canvas.width = picture.naturalWidth;
  canvas.height = picture.naturalHeight;
  canvas.getContext('2d')?.drawImage(picture, 0, 0);
  const blob = await new Promise<Blob | null>((resolve) => canvas.toBlob(resolve, 'image/png'));
  if (!blob) return false;
  downloadBlob(name, blob);
  return true;
}
