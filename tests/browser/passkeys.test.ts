import type { Page } from 'playwright-core';
import { afterAll, beforeAll, expect, inject, test } from 'vitest';
import { violations } from '../support/accessibility.ts';
import { freshDatabase, startApplication, type Application } from '../support/application.ts';
import { ready, useBrowser } from '../support/browser.ts';
import { firstLinkOf, joinBy, password } from '../support/people.ts';

const { open } = useBrowser();
let application: Application;
/** By name: browsers bind passkeys to no address in numbers. */
let address: string;
beforeAll(async () => {
  const url = await freshDatabase(inject('databaseServerUrl'), `summant_passkeys_${process.env.VITEST_POOL_ID}`);
  application = await startApplication({ DATABASE_URL: url });
  address = application.address.replace('127.0.0.1', 'localhost');
  await joinBy(application.address, await firstLinkOf(application.said), 'ida@example.com', 'Ida');
});
afterAll(async () => {
  await application.stop();
});

/** A device that keeps passkeys, as Chromium simulates one (Web Authentication 3, 11: virtual authenticators). @returns how whether its owner shows the finger is set */
async function withDevice(page: Page): Promise<(verified: boolean) => Promise<void>> {
  const session = await page.context().newCDPSession(page);
  await session.send('WebAuthn.enable');
  const { authenticatorId } = await session.send('WebAuthn.addVirtualAuthenticator', {
    options: {
      protocol: 'ctap2',
      transport: 'internal',
      hasResidentKey: true,
      hasUserVerification: true,
      isUserVerified: true,
      automaticPresenceSimulation: true,
    },
  });
  return async (isUserVerified) => {
    await session.send('WebAuthn.setUserVerified', { authenticatorId, isUserVerified });
  };
}

async function signIn(page: Page): Promise<void> {
  await page.getByTestId('sign-in-as').fill('ida@example.com');
  await page.getByTestId('password').fill(password);
  await page.getByTestId('sign-in-now').click();
  await page.waitForURL(/account/);
  await ready(page);
}

test('a passkey is added with the password, signs in without one, and opens nothing once it is taken away', async () => {
  const page = await open('/sign-in?next=/account', { address, allow: /409|401/ });
  const verified = await withDevice(page);
  await signIn(page);
  await page.getByTestId('passkey-name').fill('This laptop');
  await page.getByTestId('password-for-passkey').fill('not this one');
  await page.getByTestId('add-passkey').click();
  await page.getByRole('alert').getByText('The password of now is another').waitFor();
  await page.getByTestId('password-for-passkey').fill(password);
  await page.getByTestId('add-passkey').click();
  await page.getByTestId('passkeys').getByText('not used yet').waitFor();
  expect(await violations(page)).toEqual([]);
  // One device keeps one passkey of an account.
  await page.getByTestId('passkey-name').fill('Again');
  await page.getByTestId('password-for-passkey').fill(password);
  await page.getByTestId('add-passkey').click();
  await page.getByRole('alert').getByText('has a passkey of your account already').waitFor();
  await page.getByTestId('person-menu').click();
  await page.getByTestId('sign-out').click();
  await page.waitForURL(/sign-in/);
  await page.goto(`${address}/sign-in?next=/account`);
  await ready(page);
  expect(await violations(page)).toEqual([]);
  await verified(false);
  await page.getByTestId('with-passkey').click();
  await page.getByRole('alert').getByText('given up').waitFor();
  await verified(true);
  // Answered, not only sent: what is shown again must come second.
  const answered = page.waitForResponse((response) => response.url().endsWith('/api/sign-in/passkey'));
  await page.getByTestId('with-passkey').click();
  const sent = (await answered).request();
  await page.waitForURL(`${address}/account`);
  await ready(page);
  // What was shown once is good no more, also to whoever has listened.
  const body = sent.postData()!;
  const again = (from: string) =>
    fetch(`${application.address}/api/sign-in/passkey`, {
      method: 'POST',
      headers: { 'content-type': 'application/json', origin: from },
      body,
    });
  expect((await again(application.address)).status).toBe(409);
  expect(
    (
      await page.request.post(`${address}/api/sign-in/passkey`, {
        headers: { 'content-type': 'application/json', origin: address },
        data: body,
      })
    ).status(),
  ).toBe(401);
  const shown = page.getByTestId('passkeys').locator('li');
  await expect.poll(() => shown.innerText()).toMatch(/used \d/);
  await page.getByRole('button', { name: 'Take away the passkey This laptop' }).click();
  await shown.waitFor({ state: 'detached' });
  await page.goto(`${address}/sign-in?next=/account`);
  await ready(page);
  await page.getByTestId('with-passkey').click();
  await page.getByRole('alert').getByText('opens nothing here').waitFor();
});

test('by an address in numbers it is said why there are none', async () => {
  const page = await open('/sign-in', { address: application.address, allow: /409/ });
  await page.getByTestId('with-passkey').click();
  await page.getByRole('alert').getByText('open Summant by localhost').waitFor();
});
