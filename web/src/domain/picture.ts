/** The longer side of a picture as it is kept, pixels; the server makes none larger. */
export const LONGEST_SIDE = 1600;
const QUALITY = 0.82;

/** A file of which this device can make no picture. */
export class NoPicture extends Error {}

/** Width and height that fit; a small picture is not blown up. */
export function fitted(width: number, height: number): { width: number; height: number } {
  const scale = Math.min(1, LONGEST_SIDE / Math.max(width, height, 1));
  return { width: Math.max(1, Math.round(width * scale)), height: Math.max(1, Math.round(height * scale)) };
}

/** The bytes of a blob in base64. */
const base64 = (blob: Blob) =>
  new Promise<string>((done, failed) => {
    const reader = new FileReader();
    reader.onload = () => done((reader.result as string).replace(/^[^,]*,/, ""));
    reader.onerror = () => failed(reader.error ?? new NoPicture());
    reader.readAsDataURL(blob);
  });

/** A picture made small and upright on this device, a JPEG in base64, so that it takes little room here and on its way. */
export async function smallPicture(file: Blob): Promise<string> {
  const picture = await createImageBitmap(file, { imageOrientation: "from-image" }).catch(() => {
    throw new NoPicture();
  });
  const canvas = document.createElement("canvas");
  Object.assign(canvas, fitted(picture.width, picture.height));
  const drawn = canvas.getContext("2d");
  if (!drawn) throw new NoPicture();
  drawn.fillStyle = "#fff";
  drawn.fillRect(0, 0, canvas.width, canvas.height);
  drawn.drawImage(picture, 0, 0, canvas.width, canvas.height);
  picture.close();
  const jpeg = await new Promise<Blob | null>((done) => canvas.toBlob(done, "image/jpeg", QUALITY));
  if (!jpeg) throw new NoPicture();
  return base64(jpeg);
}
