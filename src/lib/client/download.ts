/** Hands what is at an address to the browser as a file. */
export function download(address: string, file: string): void {
  const link = document.createElement('a');
  link.href = address;
  link.download = file;
  link.click();
}

/** Hands a value to the browser as a JSON file. */
export function downloadJson(value: unknown, file: string): void {
  const address = URL.createObjectURL(
    new Blob([JSON.stringify(value, null, 2)], { type: 'application/json' }),
  );
  download(address, file);
  URL.revokeObjectURL(address);
}
