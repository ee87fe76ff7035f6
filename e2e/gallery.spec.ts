import type { Page } from '@playwright/test';
import { serveGallery } from '../scripts/gallery/serve';
import { drawn, expect, seriousProblems, test } from './app';
import { layoutFaults } from './layout';

let gallery: Awaited<ReturnType<typeof serveGallery>>;
test.beforeAll(async () => {
  gallery = await serveGallery();
});
test.afterAll(() => gallery.close());

async function open(page: Page, asked = ''): Promise<void> {
  await page.goto(gallery.url + asked);
  await expect(page.getByRole('heading', { name: 'Gallery of parts' })).toBeVisible();
  await page.evaluate(() => document.fonts.ready);
}

const focused = (page: Page) =>
  page.evaluate(() => {
    const { activeElement: at } = document;
    return at?.getAttribute('aria-label') ?? at?.textContent ?? '';
  });

test('every part in every state, in both looks, with letters of the usual size and of twice that', async ({ page }) => {
  const usual = page.viewportSize() ?? { width: 0, height: 0 };
  for (const look of ['light', 'dark'])
    for (const text of ['100', '200']) {
      await page.setViewportSize(usual);
      await open(page, `?look=${look}&text=${text}`);
      // All of it at once, so that nothing is left out as scrolled away.
      const height = await page.evaluate(() =>
        Math.max(...[...document.querySelectorAll('*')].map(({ scrollHeight }) => scrollHeight)),
      );
      await page.setViewportSize({ ...usual, height: height + 400 });
      await drawn(page);
      const where = `${look}, letters at ${text} %`;
      expect({ where, faults: await layoutFaults(page) }).toEqual({ where, faults: [] });
      expect({ where, problems: await seriousProblems(page) }).toEqual({ where, problems: [] });
    }
});

test('keys: one stop a group, arrows inside it, Space on what is ticked, Enter on what is pressed @wide', async ({
  page,
}) => {
  await open(page);
  const effort = page.getByRole('radiogroup', { name: 'Effort', exact: true });
  const radio = (name: string) => effort.getByRole('radio', { name, exact: true });
  await page.getByRole('button', { name: 'Gap: more' }).focus();
  // The other stepper can go down only.
  await page.keyboard.press('Tab');
  await page.keyboard.press('Tab');
  await expect(radio('easy')).toBeFocused();
  await page.keyboard.press('ArrowRight');
  await expect(radio('steady')).toBeFocused();
  await expect(radio('steady')).toBeChecked();
  await page.keyboard.press('ArrowUp');
  await page.keyboard.press('ArrowUp');
  await expect(radio('as hard as a race over this distance')).toBeChecked();
  await page.keyboard.press('Tab');
  expect(await focused(page)).toBe('Paces');
  await page.keyboard.press('Shift+Tab');
  await expect(radio('as hard as a race over this distance')).toBeFocused();

  const wet = page.getByRole('checkbox', { name: 'The track is wet' });
  await wet.focus();
  await page.keyboard.press('Space');
  await expect(wet).toBeChecked();
  const chip = page.getByRole('group', { name: 'Any of these' }).getByRole('checkbox', { name: 'hard', exact: true });
  await chip.focus();
  await page.keyboard.press('Space');
  await expect(chip).toBeChecked();
  const opener = page.getByRole('button', { name: 'Opens something' });
  await opener.focus();
  await page.keyboard.press('Enter');
  await expect(opener).toHaveAttribute('aria-expanded', 'true');
});

test('a question holds the keys until it is answered; Escape leaves all as it is @wide', async ({ page }) => {
  await open(page);
  const ask = page.getByRole('button', { name: 'Ask first' });
  await ask.focus();
  await page.keyboard.press('Enter');
  const question = page.getByRole('dialog', { name: 'Erase Ada for good?' });
  await expect(question).toBeVisible();
  for (let i = 0; i < 5; i++) {
    await page.keyboard.press('Tab');
    expect(await question.evaluate((dialog) => dialog.contains(document.activeElement))).toBe(true);
  }
  await page.keyboard.press('Escape');
  await expect(question).toBeHidden();
  await expect(ask).toBeFocused();
});
