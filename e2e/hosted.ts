import { spawn, type ChildProcess } from 'node:child_process';
import { bundled } from '../server/test/bundle';
import { RunningApp, type AppOptions } from './runningApp';

export type Asked =
  | { does: 'open'; folder: string; kind: 'demo' | 'club'; passphrase: string | undefined }
  | { does: 'close'; folder: string };

export type Told = { folder: string; url: string; problem?: string };

/** The process that holds the apps of one worker. */
export class Host {
  private constructor(private readonly process: ChildProcess) {}

  static async start(): Promise<Host> {
    return new Host(spawn(process.execPath, [await bundled('e2e/host.ts')], { stdio: ['ignore', 2, 2, 'ipc'] }));
  }

  ask(asked: Asked): Promise<string> {
    return new Promise((resolve, reject) => {
      const listen = ({ folder, url, problem }: Told) => {
        if (folder !== asked.folder) return;
        stopListening();
        if (problem === undefined) resolve(url);
        else reject(new Error(problem));
      };
      const ended = () => {
        stopListening();
        reject(new Error('The process that holds the apps has ended.'));
      };
      const stopListening = () => this.process.off('message', listen).off('exit', ended);
      this.process.on('message', listen).once('exit', ended);
      this.process.send(asked);
    });
  }

  end(): void {
    this.process.kill('SIGKILL');
  }
}

/** An app in the host's process: started in a tenth of a second. */
export class Hosted extends RunningApp {
  constructor(
    private readonly host: Host,
    options: AppOptions,
  ) {
    super(options);
  }

  async start(): Promise<void> {
    const { kind, passphrase } = this.options;
    this.url = await this.host.ask({ does: 'open', folder: this.folder, kind, passphrase });
  }

  protected async stop(): Promise<void> {
    await this.host.ask({ does: 'close', folder: this.folder });
  }
}
