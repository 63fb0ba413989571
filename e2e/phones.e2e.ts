import { rmSync } from 'node:fs';
import { expect, guard, startVenue, test } from './demo';

test.describe('a phone on the venue’s network', () => {
  test('is led to where it is let in, works once it is, and is put out', async ({ browser, request }, info) => {
    const number = info.parallelIndex + 32;
    const port = String(4890 + number);
    const venue = await startVenue(number, { JOYLAP_NETWORK_PORT: port });
    try {
      // As what comes from another machine, by the certificate of the venue's own authority.
      const extraHTTPHeaders = { 'x-forwarded-for': '192.0.2.9' };
      const options = { extraHTTPHeaders, ignoreHTTPSErrors: true, viewport: { width: 390, height: 844 } };
      const phone = await (await browser.newContext(options)).newPage();
      const faults = guard(phone);
      const [base, hand] = [`https://localhost:${port}`, phone.getByRole('button', { name: 'Add this phone' })];
      await phone.goto(`${base}/gate`);
      await expect(phone).toHaveURL(`${base}/add`);
      await phone.getByLabel(/^Code/).fill('wrong');
      await hand.click();
      await expect(phone.getByRole('alert')).toContainText('not one that is out');
      const { code } = (await (await request.post(`${venue.url}/api/phones/code`)).json()) as { code: string };
      await phone.getByLabel(/^Code/).fill(code.toLowerCase());
      await phone.getByLabel('What people call this phone').fill('Gate phone');
      await hand.click();
      await phone.getByRole('link', { name: 'Open Joy Lap' }).click();
      await phone.goto(`${base}/gate`);
      await expect(phone.getByRole('heading', { name: 'Gate' })).toBeVisible();

      const office = await (await browser.newContext({ baseURL: venue.url })).newPage();
      await office.goto('/devices');
      await expect(office.getByRole('row', { name: /Gate phone/ })).toContainText('now');
      await office.getByRole('button', { name: 'Put out Gate phone' }).click();
      await office.getByRole('button', { name: 'Put out', exact: true }).click();
      await expect(phone).toHaveURL(`${base}/add`);
      // What it held is gone with it.
      const left = () =>
        phone.evaluate(async () => [
          ...(await indexedDB.databases()).map(({ name }) => name),
          ...Object.keys(localStorage),
          ...(await caches.keys()),
        ]);
      await expect.poll(left).toEqual([]);
      expect(faults.filter((fault) => !/SSL certificate|NG05604/.test(fault))).toEqual([]);
    } finally {
      await venue.stop();
      rmSync(`.tmp/venue-${number}`, { recursive: true, force: true });
    }
  });
});
