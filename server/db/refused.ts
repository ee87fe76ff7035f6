/** A change that the data does not allow; the message is for the coach. Nothing of it was stored. */
export class Refused extends Error {
  override name = 'Refused';
  constructor(
    readonly code: 'taken' | 'unknown' | 'stale' | 'invalid' | 'in_use' | 'too_many',
    message: string,
    readonly field: string,
  ) {
    super(message);
  }
}
