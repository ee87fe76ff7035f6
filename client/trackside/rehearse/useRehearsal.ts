import { useCallback, useEffect, useMemo, useRef, useState } from 'react';
import { ulid } from 'ulid';
import { LOOP_DEVICE } from '@core/run/chips';
import type { Happening, RunEvent } from '@core/run/events';
import type { Plan } from '@core/run/plan';
import { MadeUpSquad, type Truth } from '@core/rehearsal/rehearsal';
import { GrowingReplay } from '@core/run/growingReplay';
import type { Random, SimulatedAthlete } from '@core/rehearsal/simulate';
import { deviceId } from '../../log/deviceId';
import type { Run } from '../../log/useRun';

export const SPEEDS = [1, 5, 20, 60] as const;
export type Speed = (typeof SPEEDS)[number];

/** What the made-up timing loop takes: nothing, the finishes, or every mark. */
export const CHIPS = ['none', 'finishes', 'all'] as const;
export type Chips = (typeof CHIPS)[number];

/** A clock that runs so many times as fast as the page's, from a moment on. */
type Clock = { speed: Speed; fromMs: number; sinceStamp: number };

const timeOn = ({ speed, fromMs, sinceStamp }: Clock, timeStamp: number) => fromMs + (timeStamp - sinceStamp) * speed;

export type Rehearsal = {
  run: Run;
  truths: readonly Truth[];
  speed: Speed;
  setSpeed: (speed: Speed) => void;
  chips: Chips;
  setChips: (chips: Chips) => void;
};

/** A session run by a made-up squad, on this page only. */
export function useRehearsal(
  plan: Plan,
  habits: Readonly<Record<string, SimulatedAthlete>>,
  random: Random,
): Rehearsal {
  const [events, setEvents] = useState<RunEvent[]>([]);
  const [clock, setClock] = useState<Clock>(() => ({ speed: 1, fromMs: Date.now(), sinceStamp: performance.now() }));
  const [chips, setChips] = useState<Chips>('none');
  const [squad] = useState(() => new MadeUpSquad(habits, random));
  const growing = useMemo(() => new GrowingReplay(plan), [plan]);
  const state = useMemo(() => growing.after(events), [growing, events]);
  // Following is harmless to repeat: a start that is known is not run twice.
  const truths = useMemo(() => squad.follow(state), [squad, state]);
  const device = deviceId();

  const add = useCallback(
    (happening: Happening, atMs: number, from = device) => {
      const event = { ...happening, id: ulid(), runId: plan.id, deviceId: from, atMs: Math.round(atMs) } as RunEvent;
      setEvents((before) => [...before, event]);
    },
    [plan.id, device],
  );
  const setSpeed = useCallback((speed: Speed) => {
    const stamp = performance.now();
    setClock((before) => ({ speed, fromMs: timeOn(before, stamp), sinceStamp: stamp }));
  }, []);

  const latest = useRef({ truths, clock, chips });
  useEffect(() => {
    latest.current = { truths, clock, chips };
  });
  useEffect(() => {
    const heard = new Set<string>();
    const timer = setInterval(() => {
      const now = timeOn(latest.current.clock, performance.now());
      for (const { athleteId, repIndex, startedAtMs, distanceM, marks } of latest.current.truths)
        for (const { atM, atMs } of marks) {
          const key = `${athleteId} ${repIndex} ${startedAtMs} ${atM}`;
          if (atMs > now || heard.has(key)) continue;
          heard.add(key);
          const isTaken = latest.current.chips === 'all' || (latest.current.chips === 'finishes' && atM === distanceM);
          if (isTaken) add({ type: 'passed', athleteId, repIndex, atM }, atMs, LOOP_DEVICE);
        }
    }, 50);
    return () => clearInterval(timer);
  }, [add]);

  const run = useMemo((): Run => {
    const atOf = (timeStamp: number) => timeOn(clock, timeStamp);
    return {
      plan,
      events,
      state,
      device,
      isRehearsal: true,
      may: () => true,
      now: () => atOf(performance.now()),
      atOf,
      happen: (happening, timeStamp = performance.now()) => add(happening, atOf(timeStamp)),
      happenAt: (happening, atMs) => add(happening, atMs),
    };
  }, [plan, events, state, device, clock, add]);
  return { run, truths, speed: clock.speed, setSpeed, chips, setChips };
}
