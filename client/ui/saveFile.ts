/** Hands a text to the browser as a file to keep. */
export function saveFile(name: string, text: string, type: string): void {
  const url = URL.createObjectURL(new Blob([text], { type }));
  const link = document.createElement('a');
  link.href = url;
  link.download = name;
  link.click();
  // The browser has the data as soon as the download has begun; some begin a moment later.
  setTimeout(() => URL.revokeObjectURL(url), 60_000);
}
