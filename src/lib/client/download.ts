/** Hands what is at an address to the browser as a file. */
export function download(address: string, file: string): void {
  const link = document.createElement('a');
  link.href = address;
  link.download = file;
  link.click();
}

/** Hands what is in memory to the browser as a file. */
export function downloadBlob(blob: Blob, file: string): void {
  const address = URL.createObjectURL(blob);
  download(address, file);
  URL.revokeObjectURL(address);
}

/** Hands a text to the browser as a file. */
export const downloadText = (text: string, file: string, type: string): void =>
  downloadBlob(new Blob([text], { type }), file);

/** Hands a value to the browser as a JSON file. */
export const downloadJson = (value: unknown, file: string): void =>
  downloadText(JSON.stringify(value, null, 2), file, 'application/json');
