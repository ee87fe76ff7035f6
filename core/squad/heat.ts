/** Heat: how warm it feels, and what a club does from when on. */

/** Weather at a time of day, as far as it is known. */
export type Weather = { temperatureC: number; humidityPct: number; windMps?: number };

/** Heat index in °C from which care is taken, and from which nothing hard is run. */
export type HeatLimits = { careC: number; hardC: number };

/** Where caution and extreme caution begin with the US National Weather Service; a club's own policy goes before them. */
export const USUAL_HEAT_LIMITS: HeatLimits = { careC: 27, hardC: 32 };

const toF = (c: number) => (c * 9) / 5 + 32;
const toC = (f: number) => ((f - 32) * 5) / 9;

/** The index begins at 80 °F, rounded; what it was fitted to ends at about these. */
const RANGE = { fromF: 79.5, mostF: 112, mostIndexF: 137 };

/** A heat index in °C; or why there is none: it is too cool for one, or beyond what it was ever fitted to. */
export type HeatIndex = { kind: 'index'; indexC: number } | { kind: 'cool' } | { kind: 'beyond' };

/**
 * Heat index: what a temperature feels like in that humidity, in shade and light wind. US National Weather Service regression
 * (Rothfusz, NWS Southern Region Technical Attachment SR 90-23, 1990) with its adjustments, only inside its range: below 80 °F (27 °C)
 * there is none, above it the polynomial runs off to figures that mean nothing.
 * @param humidityPct 0 to 100.
 */
export function heatIndexOf({ temperatureC, humidityPct }: Weather): HeatIndex {
  const t = toF(temperatureC);
  const rh = humidityPct;
  if (t > RANGE.mostF) return { kind: 'beyond' };
  // Steadman's simple average says whether it is warm enough for an index.
  const simple = (0.5 * (t + 61 + (t - 68) * 1.2 + rh * 0.094) + t) / 2;
  if (simple < RANGE.fromF) return { kind: 'cool' };
  const full =
    -42.379 +
    2.04901523 * t +
    10.14333127 * rh -
    0.22475541 * t * rh -
    6.83783e-3 * t * t -
    5.481717e-2 * rh * rh +
    1.22874e-3 * t * t * rh +
    8.5282e-4 * t * rh * rh -
    1.99e-6 * t * t * rh * rh;
  const dry = rh < 13 && t >= 80 && t <= 112 ? ((13 - rh) / 4) * Math.sqrt((17 - Math.abs(t - 95)) / 17) : 0;
  const damp = rh > 85 && t >= 80 && t <= 87 ? ((rh - 85) / 10) * ((87 - t) / 5) : 0;
  const indexF = full - dry + damp;
  return indexF > RANGE.mostIndexF ? { kind: 'beyond' } : { kind: 'index', indexC: toC(indexF) };
}

/** What it feels like, in °C: the heat index, the air itself where it is too cool for one, beyond every limit where it is beyond that. */
export function feltC(weather: Weather): number {
  const heat = heatIndexOf(weather);
  // Where it is too cool for an index the club's limits go by the air itself.
  return heat.kind === 'index' ? heat.indexC : heat.kind === 'cool' ? weather.temperatureC : Infinity;
}

/** What to keep in mind at this heat; undefined while it is none. */
export function heatCaution(weather: Weather, limits: HeatLimits, isHard: boolean): string | undefined {
  const { temperatureC, humidityPct } = weather;
  const air = `${Math.round(temperatureC)} °C, ${Math.round(humidityPct)} % humidity`;
  const heat = heatIndexOf(weather);
  if (heat.kind === 'beyond')
    return `${air}: hotter than any heat index goes. Nothing hard outdoors; follow the local heat rules. Whoever feels dizzy or ill stops.`;
  const felt = feltC(weather);
  const feels = heat.kind === 'index' ? `It should feel like ${Math.round(felt)} °C (${air})` : air;
  if (felt >= limits.hardC)
    return `${feels}: over the club’s limit of ${limits.hardC} °C for hard work. ${isHard ? 'Run it at a cooler hour or on another day, or make it easy.' : 'Keep it short and easy.'} Whoever feels dizzy or ill stops.`;
  if (felt >= limits.careC)
    return `${feels}: from ${limits.careC} °C on take shade and water in every recovery, fewer reps, and watch the young.`;
  return undefined;
}
