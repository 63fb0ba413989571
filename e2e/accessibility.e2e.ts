import { gluedWords } from './glued-words';
import { keyFaults } from './key-faults';
import { lowContrast } from './low-contrast';
import { unreadClaims } from './unread-claims';
import { expect, ADDRESSES, seriousFaults, test } from './demo';

/** Each part of the screens is a walk of its own, that they are shared among those who walk. */
const PARTS = 4;

test.describe.configure({ mode: 'parallel' });

for (let part = 0; part < PARTS; part += 1) {
  test(`no screen has a serious fault of accessibility, of contrast at dusk, or of the keyboard, nor words without a space, nor says what it has not read: part ${part + 1} of ${PARTS}`, async ({
    page,
  }) => {
    test.setTimeout(600_000);
    const faults: string[] = [];
    for (const address of ADDRESSES.filter((_, place) => place % PARTS === part)) {
      faults.push(...(await unreadClaims(page, address)).map((claim) => `${address}: not read yet, ${claim}`));
      await page.waitForLoadState('networkidle');
      faults.push(...(await seriousFaults(page)).map((fault) => `${address}: ${fault}`));
      faults.push(...(await gluedWords(page)).map((words) => `${address}: no space in "${words}"`));
      faults.push(...(await keyFaults(page)).map((fault) => `${address}: ${fault}`));
      // A theme changes colours and nothing else.
      await page.evaluate(() => document.documentElement.classList.add('dusk'));
      faults.push(...(await lowContrast(page)).map((words) => `${address} at dusk: ${words} is too faint`));
    }
    expect(faults).toEqual([]);
  });
}
