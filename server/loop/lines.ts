/** Cuts a stream into lines, trimmed, and never holds more than one of them. */
export class Lines {
  private waiting = '';
  /** In a line that is too long, until its end. */
  private isSkipping = false;

  constructor(
    private readonly most: number,
    private readonly onLine: (line: string) => void,
    private readonly onTooLong: () => void,
  ) {}

  push(chunk: string): void {
    const parts = chunk.split('\n');
    parts.forEach((part, i) => {
      const isWhole = i < parts.length - 1;
      if (!this.isSkipping) {
        this.waiting += part;
        if (this.waiting.length > this.most) {
          this.waiting = '';
          this.isSkipping = true;
          this.onTooLong();
        } else if (isWhole) {
          const line = this.waiting.trim();
          this.waiting = '';
          this.onLine(line);
        }
      }
      if (isWhole) this.isSkipping = false;
    });
  }
}
