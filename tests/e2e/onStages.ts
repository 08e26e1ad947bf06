import { expect, type Page } from '@playwright/test';
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

/** Asks, drives and looks once each: what is asked is answered where it is asked, and written down by whoever asked. */
export async function askDriveAndLook(page: Page, go: Go): Promise<void> {
  const felt = page.getByRole('group', { name: /Where is it felt/ });
  await felt.getByRole('button', { name: /^Ask/ }).click();
  await expect(felt.getByText(/“.+”/)).toBeVisible();
  await felt
    .getByRole('button', { name: /Wheel and pedal|Steering wheel/ })
    .first()
    .click();
  await settled(page);
  await go('road-test');
  await page.getByRole('button', { name: /^Recorded road test/ }).click();
  await expect(page.getByRole('link', { name: /phone’s log/ })).toBeVisible();
  await go('strip/FL/findings');
  await page.getByRole('button', { name: /^Look/ }).first().click();
  await expect(page.locator('[data-part="car-says"]').first()).toBeVisible();
}
