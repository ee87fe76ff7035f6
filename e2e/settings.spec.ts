import { expect, test } from './app';

test('settings: totals in miles, the club’s week, help, licences, and back to where one was', async ({
  page,
  demo,
}) => {
  await page.goto(`${demo.url}/sessions/library`);
  await expect(page.getByText(/ km of reps/).first()).toBeVisible();
  await page.goto(`${demo.url}/sessions`);
  await page.getByRole('button', { name: 'Settings and help' }).tap();
  await page.getByRole('radio', { name: 'Miles' }).tap();
  await page.getByLabel('Weeks of a new season begin on').selectOption('Sunday');
  await expect
    .poll(async () => (await demo.get<{ club?: object }>('squad')).club)
    .toMatchObject({ weekStart: 'sunday' });
  await expect(page.getByText(/^Zest Lap \d+\.\d+\.\d+$/)).toBeVisible();
  await expect(page.getByText(/times not yet sent: .* MB/)).toBeVisible();
  const licences = page.getByRole('link', { name: 'Licences of what it is made of' });
  const text = await (await page.request.get(`${demo.url}${await licences.getAttribute('href')}`)).text();
  expect(text).toContain('react-native-paper');
  expect(text).toContain('MIT License');
  await page.getByRole('link', { name: /^Help/ }).tap();
  await expect(page.getByRole('heading', { name: '4. At the track' })).toBeVisible();
  await page.getByRole('button', { name: 'Back' }).tap();
  await page.getByRole('button', { name: 'Back' }).tap();
  await expect(page.getByRole('heading', { name: 'Sessions', exact: true })).toBeVisible();
  await page.goto(`${demo.url}/sessions/library`);
  await expect(page.getByText(/\d\.\d miles of reps/).first()).toBeVisible();
});

test('? lists the keys anywhere but in a field, and Back leads to where one was @wide', async ({ page, demo }) => {
  await page.goto(`${demo.url}/results`);
  await expect(page.getByText(/130 of 130 reps/).first()).toBeVisible();
  await page.keyboard.press('?');
  await expect(page.getByRole('heading', { name: 'Writing a session' })).toBeVisible();
  await page.getByRole('button', { name: 'Back' }).click();
  await expect(page.getByText(/130 of 130 reps/).first()).toBeVisible();
  await page.goto(`${demo.url}/sessions/library`);
  const search = page.getByLabel('Find', { exact: false }).first();
  await search.fill('wh');
  await search.press('?');
  await expect(search).toHaveValue('wh?');
  await expect(page.getByRole('heading', { name: 'Writing a session' })).toHaveCount(0);
});

test('the first Tab skips the places: the next one is in the screen @wide', async ({ page, demo }) => {
  await page.goto(`${demo.url}/results`);
  await expect(page.getByText(/130 of 130 reps/).first()).toBeVisible();
  await page.keyboard.press('Tab');
  const skip = page.getByRole('link', { name: 'Skip to the page' });
  await expect(skip).toBeFocused();
  await expect(skip).toBeInViewport();
  await page.keyboard.press('Enter');
  await expect(page.getByRole('main')).toBeFocused();
  await page.keyboard.press('Tab');
  const isInside = () => page.evaluate(() => document.getElementById('main')?.contains(document.activeElement));
  expect(await isInside()).toBe(true);
  await expect(page).toHaveURL(`${demo.url}/results`);
});
