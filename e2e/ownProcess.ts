import { spawn, type ChildProcess } from 'node:child_process';
import path from 'node:path';
import { bundled } from '../server/test/bundle';
import { RunningApp } from './runningApp';

const ROOT = path.join(__dirname, '..');

/** An app in a process of its own, which can be killed. */
export class OwnProcess extends RunningApp {
  private process: ChildProcess | undefined;

  async start(): Promise<void> {
    const { kind, passphrase } = this.options;
    const port = this.url ? new URL(this.url).port : '0';
    const started = spawn(process.execPath, [await bundled(kind === 'demo' ? 'demo/main.ts' : 'server/main.ts')], {
      cwd: ROOT,
      env: { ...process.env, PORT: port, ZEST_DATA: this.folder, ZEST_PASSPHRASE: passphrase },
      stdio: ['ignore', 'pipe', 'pipe'],
    });
    this.process = started;
    this.url = await new Promise<string>((resolve, reject) => {
      let output = '';
      const listen = (chunk: Buffer) => {
        output += chunk.toString();
        const address = /http:\/\/\S+/.exec(output)?.[0];
        if (address) resolve(address);
      };
      started.stdout.on('data', listen);
      started.stderr.on('data', listen);
      started.once('exit', () => reject(new Error(`The server ended: ${output}`)));
    });
  }

  /** As a power cut would: no chance to tidy up. */
  async kill(): Promise<void> {
    const { process: running } = this;
    if (!running || running.exitCode !== null || running.signalCode !== null) return;
    const ended = new Promise((resolve) => running.once('exit', resolve));
    running.kill('SIGKILL');
    await ended;
  }

  protected stop = () => this.kill();
}
