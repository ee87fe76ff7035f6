/** The code of an address such as `/join#ABCD-2345`; it is not sent to any server by opening it. What cannot be read is left to be typed. */
export function codeOfAddress(hash: string): string {
  try {
    return decodeURIComponent(hash.replace(/^#/, ''));
  } catch {
    return '';
  }
}
