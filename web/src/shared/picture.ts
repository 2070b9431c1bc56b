/** A picture as it is kept and drawn: a data URL and its size in pixels. */
export interface Shrunk {
  data: string;
  w: number;
  h: number;
}

/** No side of a picture is kept longer than this, pixels. */
const mostPx = 1400;

/** Reads a picture file, as large as is of use. Rejects what is no picture that this browser can read. */
export async function shrunk(file: Blob): Promise<Shrunk> {
  const bitmap = await createImageBitmap(file);
  const small = Math.min(1, mostPx / Math.max(bitmap.width, bitmap.height));
  const canvas = document.createElement('canvas');
  canvas.width = Math.max(1, Math.round(bitmap.width * small));
  canvas.height = Math.max(1, Math.round(bitmap.height * small));
  const to = canvas.getContext('2d');
  if (!to) throw new Error('no picture can be drawn here');
  to.drawImage(bitmap, 0, 0, canvas.width, canvas.height);
  return { data: canvas.toDataURL('image/jpeg', 0.75), w: canvas.width, h: canvas.height };
}
