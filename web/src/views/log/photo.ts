/** What the server reads; anything else that this browser can show is made a JPEG here. */
const READ = ['image/jpeg', 'image/png', 'image/webp'];

/** A photo as the server reads it; one that this browser can't show either is sent as it is, to be refused in words. */
export async function readable(file: File): Promise<Blob> {
  if (READ.includes(file.type)) return file;
  try {
    const picture = await createImageBitmap(file);
    const canvas = document.createElement('canvas');
    [canvas.width, canvas.height] = [picture.width, picture.height];
    canvas.getContext('2d')!.drawImage(picture, 0, 0);
    return await new Promise((resolve) => canvas.toBlob((made) => resolve(made ?? file), 'image/jpeg', 0.92));
  } catch {
    return file;
  }
}
