import { forecastFor } from './forecast';
import { serveWeather } from './serve';

test('the same day always has the same weather, and it is one that can be', () => {
  expect(forecastFor('2027-06-01', '17:45')).toEqual(forecastFor('2027-06-01', '17:45'));
  for (let day = 1; day <= 28; day++)
    for (const month of ['01', '06', '11']) {
      const { temperatureC, humidityPct, windMps } = forecastFor(
        `2027-${month}-${String(day).padStart(2, '0')}`,
        '15:00',
      );
      expect(temperatureC).toBeGreaterThan(5);
      expect(temperatureC).toBeLessThan(45);
      expect(humidityPct).toBeGreaterThanOrEqual(20);
      expect(humidityPct).toBeLessThanOrEqual(98);
      expect(windMps).toBeGreaterThanOrEqual(0);
    }
});

test('afternoons are warmer than nights', () => {
  expect(forecastFor('2027-06-01', '15:00').temperatureC).toBeGreaterThan(
    forecastFor('2027-06-01', '04:00').temperatureC,
  );
});

test('it is served as JSON; what cannot be asked is refused with a sentence', async () => {
  const { url, stop } = await serveWeather();
  const ask = async (path: string, method = 'GET') => {
    const answer = await fetch(url + path, { method });
    return { status: answer.status, body: (await answer.json()) as Record<string, unknown> };
  };
  expect(await ask('/forecast?date=2027-06-01&time=17:45')).toEqual({
    status: 200,
    body: forecastFor('2027-06-01', '17:45'),
  });
  for (const path of [
    '/forecast',
    '/forecast?date=2027-06-01',
    '/forecast?date=2027-99-01&time=17:45',
    '/forecast?date=2027-06-01&time=noon',
  ])
    expect(await ask(path)).toMatchObject({
      status: 400,
      body: { error: expect.stringContaining('Ask for /forecast') },
    });
  expect((await ask('/')).status).toBe(404);
  expect((await ask('/forecast?date=2027-06-01&time=17:45', 'POST')).status).toBe(404);
  stop();
});
