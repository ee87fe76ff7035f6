/** The made-up squad as a program: see README.md. */
import { parseArgs } from 'node:util';
import type { Answers, Route } from '@core/api/answers';
import type { RunEvent } from '@core/run/events';
import { athletesOf } from '@core/run/plan';
import { counted } from '@core/units/counted';
import { ChippedSquad, connectLoop } from './squad';

const { values } = parseArgs({
  options: {
    server: { type: 'string', default: 'http://127.0.0.1:4400' },
    loop: { type: 'string', default: '4401' },
    run: { type: 'string' },
    speed: { type: 'string', default: '1' },
  },
});

/** Asks the server by one of its routes. @param address the route with what stands for its parameters put in. */
async function ask<R extends Route>(_route: R, address: string): Promise<Answers[R]> {
  const answer = await fetch(`${values.server}/api/${address}`);
  if (!answer.ok) throw new Error(`${values.server} answers ${answer.status} for ${address}.`);
  return (await answer.json()) as Answers[R];
}

async function main(): Promise<void> {
  const speed = Number(values.speed);
  if (!(speed >= 1 && speed <= 60)) throw new Error('--speed has to be from 1 to 60.');
  const [latest] = await ask('GET /api/runs/open', 'runs/open');
  const runId = values.run ?? latest?.id;
  if (runId === undefined) throw new Error('No session is under way. Take one to the track first.');
  const { plan, events } = await ask('GET /api/runs/:id', `runs/${runId}`);
  const chips = athletesOf(plan).filter(({ chip }) => chip !== undefined).length;
  console.log(`“${plan.title}”: ${counted(chips, 'athlete')} with chips, ${speed} times as fast.`);
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
