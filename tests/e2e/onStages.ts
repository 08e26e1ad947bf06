import type { Page } from '@playwright/test';
import { settled } from './helpers';
import type { Go } from './wholeJob';

/** Takes the car of a code to the stages of a job; how its pages are gone to. */
export async function onStages(page: Page, code: string): Promise<Go> {
  await page.goto(`/practice/${code}`);
  await settled(page);
  await page.getByRole('button', { name: 'Work it on the stages of a job' }).click();
  await page.waitForURL(/\/jobs\/.*\/complaint$/);
  await settled(page);
  const job = page.url().replace('/complaint', '');
  return async (place) => {
    await page.goto(`${job}/${place}`);
    await settled(page);
  };
}
