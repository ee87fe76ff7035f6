import { Router } from 'express';
import Joi from 'joi';
import { check } from '@core/api/check';
import { weatherQuery } from '@core/api/querySchemas';
import type { Weather } from '@core/squad/heat';
import { validateQuery } from './checked';

/** Time allowed to the service; after that the weather is unknown. */
const WAIT_MS = 2000;
/** Bytes; larger than any forecast for one hour. */
const MOST_BYTES = 10_000;

/** The fields we use of an answer. */
const answerSchema = Joi.object<Weather>({
  temperatureC: Joi.number().strict().min(-60).max(60).required(),
  humidityPct: Joi.number().strict().min(0).max(100).required(),
  windMps: Joi.number().strict().min(0).max(100),
}).options({ stripUnknown: true });

async function textOf(answer: Response): Promise<string> {
  const reader = answer.body?.pipeThrough(new TextDecoderStream()).getReader();
  let text = '';
  for (let read = await reader?.read(); read && !read.done; read = await reader?.read()) {
    text += read.value;
    if (text.length > MOST_BYTES) {
      await reader?.cancel();
      return '';
    }
  }
  return text;
}

/** Asks the weather service; undefined when it is away, slow, or answers something else than the weather. */
async function askWeather(url: string, date: string, time: string): Promise<Weather | undefined> {
  try {
    const address = new URL('/forecast', url);
    address.search = new URLSearchParams({ date, time }).toString();
    const answer = await fetch(address, { signal: AbortSignal.timeout(WAIT_MS), redirect: 'error' });
    if (!answer.ok) return undefined;
    const checked = check(answerSchema, JSON.parse(await textOf(answer)));
    return checked.ok ? checked.value : undefined;
  } catch {
    return undefined;
  }
}

/** /api/weather?date=&time=: the weather then, or 204 when it is not known. Without a service it never is. */
export function weatherRouter(weatherUrl: string | undefined): Router {
  const router = Router();
  router.get('/', async (req, res) => {
    const { date, time } = validateQuery(req, weatherQuery);
    const weather = weatherUrl === undefined ? undefined : await askWeather(weatherUrl, date, time);
    if (weather) res.json(weather);
    else res.status(204).end();
  });
  return router;
}
