import type Joi from 'joi';
import type { RunEvent } from '@core/run/events';
import type { Plan } from '@core/run/plan';

/** Why the server would refuse something, as a sentence; undefined where it would take it. */
export type WireCheck = {
  whyNotEvent: (event: RunEvent) => string | undefined;
  whyNotPlan: (plan: Plan) => string | undefined;
};

let loaded: WireCheck | undefined;

/** Loads the wire's schemas, which are large: as soon as a session is opened, not with the first screen. */
export async function loadWireCheck(): Promise<WireCheck> {
  if (loaded) return loaded;
  const [{ check }, { eventSchema, planSchema }] = await Promise.all([
    import('@core/api/check'),
    import('@core/api/tracksideSchemas'),
  ]);
  const whyNot = <T>(schema: Joi.Schema<T>, value: T): string | undefined => {
    const checked = check(schema, value);
    return checked.ok ? undefined : checked.message;
  };
  loaded = {
    whyNotEvent: (event) => whyNot(eventSchema, event),
    whyNotPlan: (plan) => whyNot(planSchema, plan),
  };
  return loaded;
}

/** The check if it is loaded: a tap never waits for it. */
export const wireCheck = (): WireCheck | undefined => loaded;
