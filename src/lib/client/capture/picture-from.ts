/** A picture as a canvas. @throws if it is none that the browser knows */
export async function canvasFrom(file: Blob): Promise<HTMLCanvasElement> {
  const bitmap = await createImageBitmap(file);
  const canvas = document.createElement('canvas');
  canvas.width = bitmap.width;
  canvas.height = bitmap.height;
  canvas.getContext('2d')?.drawImage(bitmap, 0, 0);
  bitmap.close();
  return canvas;
}

/** The picture at an address. @throws if there is none */
export async function pictureFrom(address: string): Promise<HTMLCanvasElement> {
  const response = await fetch(address);
  if (!response.ok) throw new Error(`There is no picture (${response.status}).`);
  return canvasFrom(await response.blob());
}
