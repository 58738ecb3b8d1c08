/** Pictures of applications are this wide and high, in pixels: twice as large as they are shown. */
const SIDE = 64;

/**
 * A picture file, made small, as a `data:` address.
 * @throws Error if the file is no picture that the browser can read
 */
export async function pictureFromFile(file: Blob): Promise<string> {
  const image = await decoded(file);
  const canvas = document.createElement('canvas');
  canvas.width = canvas.height = SIDE;
  const scale = SIDE / Math.max(image.naturalWidth, image.naturalHeight, 1);
  const [width, height] = [image.naturalWidth * scale, image.naturalHeight * scale];
  canvas.getContext('2d')?.drawImage(image, (SIDE - width) / 2, (SIDE - height) / 2, width, height);
  return canvas.toDataURL('image/png');
}

/** As a `data:` address, because the content policy lets no other one be shown. */
async function decoded(file: Blob): Promise<HTMLImageElement> {
  const address = await new Promise<string>((resolve, reject) => {
    const reader = new FileReader();
    reader.onload = () => resolve(reader.result as string);
    reader.onerror = () => reject(new Error('The file cannot be read.'));
    reader.readAsDataURL(file);
  });
  const image = new Image();
  image.src = address;
  await image.decode();
  return image;
}
