import { writePhoto } from './writes';
/** A photo made small enough to keep, with its preview; or why it cannot be. */
export type Shrunk =
  | { readonly ok: true; readonly picture: Blob; readonly thumb: Blob }
  | { readonly ok: false; readonly message: string };

const LARGEST_FILE = 80_000_000;
const PICTURE_EDGE = 1600;
const THUMB_EDGE = 320;

const refuse = (message: string): Shrunk => ({ ok: false, message });

/** What a file is by its first bytes, as far as that helps to say why it cannot be read. */
export function kindOfFile(head: Uint8Array): 'heic' | 'program' | 'other' {
  const text = String.fromCharCode(...head.slice(0, 16));
  if (text.slice(4, 8) === 'ftyp' && /heic|heix|heim|hevc|mif1|msf1/.test(text.slice(8))) {
    return 'heic';
  }
  return text.startsWith('MZ') || text.startsWith('\x7fELF') || text.startsWith('#!')
    ? 'program'
    : 'other';
}

const WHY_NOT = {
  heic: 'This is a HEIC picture, which this browser cannot read. Set the camera to JPEG (“most compatible”), or take the picture from here.',
  program: 'This is a program and not a picture, whatever its name says.',
  other: 'This file cannot be read as a picture. It may be damaged; take it again.',
} as const;

/** Width and height within a square of the edge given, never larger than they are. */
export function fitInto(width: number, height: number, edge: number): [number, number] {
  const scale = Math.min(1, edge / Math.max(width, height));
  return [Math.max(1, Math.round(width * scale)), Math.max(1, Math.round(height * scale))];
}

async function drawn(image: ImageBitmap, edge: number, quality: number): Promise<Blob> {
  const [width, height] = fitInto(image.width, image.height, edge);
  const canvas = new OffscreenCanvas(width, height);
  const context = canvas.getContext('2d');
  if (!context) throw new Error('No canvas');
  context.imageSmoothingQuality = 'high';
  context.drawImage(image, 0, 0, width, height);
  return canvas.convertToBlob({ type: 'image/jpeg', quality });
}

/**
 * Makes a camera\u2019s picture small: at most 1600 pixels on its longer edge, upright, as JPEG,
 * without what the camera wrote beside it; and a preview. What is no picture is refused.
 */
export async function shrinkPhoto(file: File): Promise<Shrunk> {
  if (file.size === 0) return refuse('The file is empty. Take the picture again.');
  if (file.size > LARGEST_FILE) {
    return refuse(`The file has ${Math.round(file.size / 1e6)} MB; at most 80 MB are read.`);
  }
  const kind = kindOfFile(new Uint8Array(await file.slice(0, 16).arrayBuffer()));
  if (kind === 'program') return refuse(WHY_NOT.program);
  let image: ImageBitmap;
  try {
    image = await createImageBitmap(file, { imageOrientation: 'from-image' });
  } catch {
    return refuse(WHY_NOT[kind]);
  }
  try {
    const picture = await drawn(image, PICTURE_EDGE, 0.82);
    return { ok: true, picture, thumb: await drawn(image, THUMB_EDGE, 0.7) };
  } catch {
    return refuse('The picture is too large for this browser to make smaller.');
  } finally {
    image.close();
  }
}

/** Where a photo belongs. */
export interface PhotoPlace {
  readonly jobId: string;
  readonly corner: string;
  readonly partId: string | null;
}

/** The bytes of a picture as text. */
const base64Of = (blob: Blob): Promise<string> =>
  new Promise((resolve, reject) => {
    const reader = new FileReader();
    reader.onload = () => resolve(String(reader.result).replace(/^data:[^,]*,/, ''));
    reader.onerror = () => reject(new Error('The picture could not be read'));
    reader.readAsDataURL(blob);
  });

/** Makes a photo small and keeps it; answers with what is wrong, or null when it is on file. */
export async function sendPhoto(file: File, place: PhotoPlace): Promise<string | null> {
  const shrunk = await shrinkPhoto(file);
  if (!shrunk.ok) return shrunk.message;
  const [picture, thumb] = await Promise.all([base64Of(shrunk.picture), base64Of(shrunk.thumb)]);
  const answer = await writePhoto({ ...place, caption: '', picture, thumb });
  return answer.ok || answer.isDropped ? null : answer.message;
}
