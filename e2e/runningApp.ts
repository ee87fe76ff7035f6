import fs from 'node:fs';
import os from 'node:os';
import path from 'node:path';

/** What a server is started with. */
export type AppOptions = {
  kind: 'demo' | 'club';
  passphrase?: string;
  /** The folder of another app, not running, to start with a copy of. */
  data?: string | undefined;
};

/** A running app on its own data folder, as another device or program asks it. */
export abstract class RunningApp {
  url = '';
  readonly folder = fs.mkdtempSync(path.join(os.tmpdir(), 'zest-e2e-'));
  private cookie: string | undefined;

  constructor(protected readonly options: AppOptions) {
    if (options.data !== undefined) fs.cpSync(options.data, this.folder, { recursive: true });
  }

  /** Starts it, the first time on any free port, then on the same one. */
  abstract start(): Promise<void>;

  protected abstract stop(): Promise<void>;

  async close(): Promise<void> {
    await this.stop();
    fs.rmSync(this.folder, { recursive: true, force: true });
  }

  private async unlock(passphrase: string): Promise<string> {
    const opened = await fetch(`${this.url}/api/access/passphrase`, {
      method: 'POST',
      headers: { 'content-type': 'application/json' },
      body: JSON.stringify({ passphrase }),
    });
    return opened.headers.get('set-cookie')?.split(';')[0] ?? '';
  }

  /** Asks the server as another program does; a locked one is opened with its passphrase first. */
  private async ask(method: string, resource: string, body?: unknown): Promise<Response> {
    const { passphrase } = this.options;
    if (passphrase !== undefined) this.cookie ??= await this.unlock(passphrase);
    return fetch(`${this.url}/api/${resource}`, {
      method,
      headers: { cookie: this.cookie ?? '', 'content-type': 'application/json' },
      ...(body === undefined ? {} : { body: JSON.stringify(body) }),
    });
  }

  /** Writes as another device would; the server must take it. */
  async send(method: 'PUT' | 'POST', resource: string, body: unknown): Promise<void> {
    const answer = await this.ask(method, resource, body);
    if (!answer.ok) throw new Error(`The server answered ${answer.status} for ${resource}: ${await answer.text()}`);
  }

  /** What the server has there, undefined if nothing yet. */
  async find<T>(resource: string): Promise<T | undefined> {
    const answer = await this.ask('GET', resource);
    if (answer.status === 404) return undefined;
    if (!answer.ok) throw new Error(`The server answered ${answer.status} for ${resource}: ${await answer.text()}`);
    return (await answer.json()) as T;
  }

  /** What the server has there; it must be there. */
  async get<T>(resource: string): Promise<T> {
    const found = await this.find<T>(resource);
    if (found === undefined) throw new Error(`The server knows of no ${resource}.`);
    return found;
  }
}
