import { LARGEST_PHOTO, LONGEST_SIDE, type PhotoView } from '@aspecta/contract/survey';
import { useOutbox } from '../outbox/useOutbox.ts';
import { serverNow } from '../shell/api.ts';
import { newId } from '../shell/newId.ts';

/** What goes with a picture when it is sent. */
export interface PhotoPlace {
  panel: string | null;
  layer: string | null;
  u: number | null;
  v: number | null;
  note: string;
}

/**
 * A picture from the camera or a file, sent small: scaled to 2,400 px on this device, and with
 * that without the place where it was taken. What the browser cannot open is sent as it is,
 * and the server says what is wrong with it.
 *
 * @returns its id, also where it is kept on this device for now; of a picture that is there already, that one's
 */
export async function sendPhoto(
  vehicle: string,
  file: Blob & { lastModified?: number; name?: string },
  place: PhotoPlace,
): Promise<string> {
  const bytes = (await scaledDown(file)) ?? file;
  if (bytes.size > LARGEST_PHOTO)
    throw new Error(
      `${file.name ?? 'This picture'} has ${(bytes.size / 1e6).toFixed(0)} MB; at most ${LARGEST_PHOTO / 1e6} MB can be taken.`,
    );
  const taken = Math.min(file.lastModified ?? serverNow(), serverNow());
  const id = newId();
  const query = new URLSearchParams({
    id,
    takenAt: new Date(taken).toISOString(),
    note: place.note,
  });
  for (const key of ['panel', 'layer', 'u', 'v'] as const) if (place[key] !== null) query.set(key, String(place[key]));
  const { answer } = await useOutbox().record<PhotoView>(
    {
      id,
      vehicle,
      kind: 'picture',
      title: `Picture${file.name ? ` ${file.name}` : ''}${place.note ? `, ${place.note}` : ''}`,
      path: `/vehicles/${vehicle}/photos?${query.toString()}`,
      // Read now: what the browser holds of a file from the camera may be gone after a reload.
      body: new Blob([await bytes.arrayBuffer()], { type: bytes.type }),
    },
    true,
  );
  return answer?.id ?? id;
}

/** Several pictures one after the other: one that is refused does not keep the others back; it is named at the end. */
export async function sendPhotos(
  vehicle: string,
  files: Iterable<File>,
  place: PhotoPlace,
  stored: () => void = () => undefined,
): Promise<void> {
  const refused: string[] = [];
  for (const file of files) {
    try {
      await sendPhoto(vehicle, file, place);
      stored();
    } catch (error) {
      refused.push(`${file.name}: ${(error as Error).message}`);
    }
  }
  if (refused.length > 0) throw new Error(refused.join(' '));
}

async function scaledDown(file: Blob): Promise<Blob | null> {
  try {
    const picture = await createImageBitmap(file, { imageOrientation: 'from-image' });
    const scale = Math.min(1, LONGEST_SIDE / Math.max(picture.width, picture.height));
    const canvas = new OffscreenCanvas(Math.round(picture.width * scale), Math.round(picture.height * scale));
    canvas.getContext('2d')!.drawImage(picture, 0, 0, canvas.width, canvas.height);
    picture.close();
    return await canvas.convertToBlob({ type: 'image/jpeg', quality: 0.88 });
  } catch {
    return null;
  }
}
