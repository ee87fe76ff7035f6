/** The made-up squad as a program: see README.md. */
import { parseArgs } from 'node:util';
import type { RunEvent } from '@core/run/events';
import { athletesOf, type Plan } from '@core/run/plan';
import { ChippedSquad, connectLoop } from './squad';

const { values } = parseArgs({
  options: {
    server: { type: 'string', default: 'http://127.0.0.1:4400' },
    loop: { type: 'string', default: '4401' },
    run: { type: 'string' },
    speed: { type: 'string', default: '1' },
  },
});

type Listed = { id: string; title: string; summary?: { startedAtMs?: number; endedAtMs?: number } };

async function ask<T>(path: string): Promise<T> {
  const answer = await fetch(`${values.server}/api/${path}`);
  if (!answer.ok) throw new Error(`${values.server} answers ${answer.status} for ${path}.`);
  return (await answer.json()) as T;
}

async function main(): Promise<void> {
  const speed = Number(values.speed);
  if (!(speed >= 1 && speed <= 60)) throw new Error('--speed has to be from 1 to 60.');
  const open = (await ask<Listed[]>('runs')).find(({ summary }) => summary && summary.endedAtMs === undefined);
  const runId = values.run ?? open?.id;
  if (runId === undefined) throw new Error('No session is under way. Take one to the track first.');
  const { plan, events } = await ask<{ plan: Plan; events: RunEvent[] }>(`runs/${runId}`);
  const chips = athletesOf(plan).filter(({ chip }) => chip !== undefined).length;
  console.log(`“${plan.title}”: ${chips} athletes with chips, ${speed} times as fast.`);
  const link = await connectLoop(Number(values.loop));
  const later = (run: () => void, afterMs: number) => void setTimeout(run, afterMs);
  const squad = new ChippedSquad({ plan, habits: {}, random: Math.random, speed, link, later });
  const live = await fetch(`${values.server}/api/runs/${runId}/live`);
  squad.hear(events);
  const reader = live.body?.pipeThrough(new TextDecoderStream()).getReader();
  let waiting = '';
  for (let read = await reader?.read(); read && !read.done; read = await reader?.read()) {
    const messages = (waiting + read.value).split('\n\n');
    waiting = messages.pop() ?? '';
    for (const message of messages)
      if (message.startsWith('data: ')) squad.hear((JSON.parse(message.slice(6)) as { events: RunEvent[] }).events);
  }
}

main().catch((error: unknown) => {
  console.error(error instanceof Error ? error.message : error);
  process.exitCode = 1;
});
