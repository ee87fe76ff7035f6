/** A made-up climate: warm afternoons, cooler evenings, some days close and some dry. The same day always has the same weather. */

export type Forecast = {
  format: 'zest-lap/weather';
  version: 1;
  /** Marks the data as simulated. */
  simulated: true;
  date: string;
  time: string;
  temperatureC: number;
  humidityPct: number;
  windMps: number;
};

const DAY_MS = 86_400_000;
const tenth = (value: number) => Math.round(value * 10) / 10;

/** A uniform number from 0 to 1, always the same for a day and a `what`. */
function chance(day: number, what: number): number {
  const x = Math.sin(day * 12.9898 + what * 78.233) * 43_758.5453;
  return x - Math.floor(x);
}

/** The weather on a day (YYYY-MM-DD) at a time (HH:MM). */
export function forecastFor(date: string, time: string): Forecast {
  const day = Math.floor(Date.parse(`${date}T00:00:00Z`) / DAY_MS);
  const [hours = 12, minutes = 0] = time.split(':').map(Number);
  const hour = hours + minutes / 60;
  const season = 3 * Math.cos(((day % 365.25) / 365.25 - 0.54) * 2 * Math.PI);
  const noonC = 24 + season + 9 * (chance(day, 1) - 0.4);
  // Warmest at three in the afternoon.
  const temperatureC = noonC + 4 * Math.cos(((hour - 15) / 24) * 2 * Math.PI);
  const humidityPct = Math.min(98, Math.max(20, 45 + 45 * chance(day, 2) - (temperatureC - 24) * 1.2));
  return {
    format: 'zest-lap/weather',
    version: 1,
    simulated: true,
    date,
    time,
    temperatureC: tenth(temperatureC),
    humidityPct: Math.round(humidityPct),
    windMps: tenth(6 * chance(day, 3) ** 2),
  };
}
