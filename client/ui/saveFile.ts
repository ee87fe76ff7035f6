/** Hands something to the browser as a file to keep. */
export function saveBlob(name: string, blob: Blob): void {
  const url = URL.createObjectURL(blob);
  const link = document.createElement('a');
  link.href = url;
  link.download = name;
  link.click();
  // The browser has the data as soon as the download has begun; some begin a moment later.
  setTimeout(() => URL.revokeObjectURL(url), 60_000);
}

/** The same for a text. */
export const saveFile = (name: string, text: string, type: string): void => saveBlob(name, new Blob([text], { type }));
