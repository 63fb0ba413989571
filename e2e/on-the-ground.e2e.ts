import { randomUUID } from 'node:crypto';
import type { Page } from '@playwright/test';
import { progressOf } from '@core/journal';
import type { EntryFields } from '@core/testing/written-journal';
import { DEMO_DATE } from '../demo/larkmere';
import { expect, dayNow, test, vehiclesBack } from './demo';

type Now = Awaited<ReturnType<typeof dayNow>>;

/** What somebody else enters meanwhile, at the time of the clock. */
async function others(page: Page, by: string, ...all: EntryFields[]): Promise<void> {
  for (const fields of all) {
    const { secondsOfDay } = (await (await page.request.get('/api/clock')).json()) as { secondsOfDay: number };
    const at = new Date(Math.floor(secondsOfDay) * 1000).toISOString().slice(11, 19);
    const data = { ...fields, id: randomUUID(), at, by };
    const response = await page.request.post(`/api/days/${DEMO_DATE}/journal`, { data });
    expect(response.ok(), `${fields.kind}: ${await response.text()}`).toBe(true);
  }
}

/** Sets the venue's clock, and waits until the screen goes by it: a tap before that would belong to the time before. */
async function standAt(page: Page, atS: number): Promise<void> {
  const secondsOfDay = Math.round(atS);
  await page.request.post('/api/clock', { data: { secondsOfDay, rate: 0 } });
  const shown = new Date(secondsOfDay * 1000).toISOString().slice(11, 19);
  await expect(page.getByLabel('Venue time')).toHaveText(shown);
}

/** Everybody who is out or in a car now comes in and is done, and every car is mended. */
async function everybodyIn(page: Page): Promise<void> {
  const { state, context } = await dayNow(page);
  for (const vehicle of state.sightings.keys()) await others(page, 'Pit exit', { kind: 'sightingEnded', vehicle });
  for (const { car, heldFor } of state.cars.values())
    if (heldFor !== undefined) await others(page, 'Garage', { kind: 'carReady', car: car.id });
  for (const drive of state.drives.values()) {
    const id = drive.drive.id;
    if (drive.stage === 'seated') await others(page, 'Pit exit', { kind: 'unseated', drive: id });
    if (drive.stage !== 'onCircuit' && drive.stage !== 'rollingIn') continue;
    const crossings = progressOf(context, drive).due;
    await others(page, 'Pit exit', { kind: 'lapsSettled', drive: id, crossings }, { kind: 'parked', drive: id });
    await others(page, 'Instructor', { kind: 'debriefed', drive: id });
  }
}

/** The guest of a drive has seen papers, class and circuit. */
async function ready(page: Page, guest: string): Promise<void> {
  const { state } = await dayNow(page);
  const it = state.guests.get(guest)!;
  const gate = [
    ...(it.arrivedS === undefined ? (['guestArrived'] as const) : []),
    ...(it.waiver ? [] : (['waiverSigned'] as const)),
    ...(it.licence ? [] : (['licenceSeen'] as const)),
    ...(it.helmet ? [] : (['helmetFitted'] as const)),
  ];
  await others(page, 'Gate', ...gate.map((kind) => ({ kind, guest })));
  const instructor = [...state.crew.values()].find(({ busyWith, pause }) => busyWith === undefined && !pause)!
    .instructor.id;
  const vehicle = (await dayNow(page)).view.day.sightingVehicles[0]!.id;
  if (!it.briefed) {
    const guests = [guest];
    await others(
      page,
      'Classroom',
      { kind: 'classBegan', instructor, guests },
      { kind: 'classEnded', instructor, guests },
    );
  }
  if (!it.sighted) {
    const run = { vehicle, instructor, guests: [guest] };
    await others(page, 'Pit exit', { kind: 'sightingBegan', ...run }, { kind: 'sightingEnded', vehicle });
  }
}

/** The first instructor with so many drives to come, each with another guest. */
function withDrives({ state, context }: Now, count: number) {
  for (const instructor of context.day.instructors) {
    const drives = (context.schedule.crewOccupancies.get(instructor.id) ?? []).flatMap((it) =>
      it.kind === 'drive' && state.drives.get(it.planned.drive)?.stage === 'planned' ? [it] : [],
    );
    const guests = new Set(drives.map(({ guests: [guest] }) => guest?.id));
    if (drives.length >= count && guests.size >= count) return { instructor, drives: drives.slice(0, count) };
  }
  throw new Error(`nobody has ${count} drives to come`);
}

test.use({ actionTimeout: 20_000 });

test('an instructor’s hour: two guests, with the phone in one hand', async ({ page }) => {
  test.setTimeout(300_000);
  await page.setViewportSize({ width: 390, height: 844 });
  await everybodyIn(page);
  const { instructor, drives } = withDrives(await dayNow(page), 2);
  await page.goto('/handover');
  await page.getByRole('button', { name: instructor.name }).click();

  for (const [place, { planned, guests, startS, drive: booked }] of drives.entries()) {
    const drive = planned.drive;
    const guest = guests[0]!;
    await ready(page, guest.id);
    await standAt(page, startS);
    await expect(page.getByRole('heading', { level: 1, name: guest.name })).toBeVisible();
    // The talk, group by group, once the lap of this car has been computed; nothing of it is left open.
    await expect(page.getByRole('region', { name: 'To be promised' })).toBeVisible();
    const all = page.getByRole('button', { name: /^All said: / });
    // One may be gone by the time of the tap, as its lines were said together with others.
    while ((await all.count()) > 0)
      await all
        .first()
        .click({ timeout: 2000 })
        .catch(() => undefined);
    const read = page.getByRole('button', { name: 'Read', exact: true });
    if (await read.isVisible()) await read.click();
    await page.getByRole('link', { name: 'Counter' }).click();
    await page.getByRole('button', { name: 'Guest is seated' }).click();
    await expect(page.getByText('at the exit')).toBeVisible();

    const outS = planned.release;
    await standAt(page, outS);
    const { pitExit } = (await dayNow(page)).view;
    await others(
      page,
      'Pit exit',
      { kind: 'lastCheckDone', drive, items: pitExit.lastCheck },
      { kind: 'released', drive },
    );
    const count = page.getByRole('button', { name: /Count lap$/ });
    await expect(count).toBeVisible();
    // The second wants a lap more, and finds a fault.
    const isSecond = place === 1;
    if (isSecond) {
      await page.getByRole('button', { name: 'Ask for one more lap: traffic' }).click();
      await expect(page.getByText('Asked for one more lap: traffic')).toBeVisible();
      await others(page, 'Pit exit', { kind: 'extraLapGranted', drive });
    }
    const due = progressOf((await dayNow(page)).context, (await dayNow(page)).state.drives.get(drive)!).due;
    expect(due).toBe(booked!.laps + (isSecond ? 1 : 0));
    for (let lap = 1; lap <= due; lap++) {
      await standAt(page, outS + lap * 100);
      await count.click();
      await expect(page.locator('.figure')).toHaveText(
        lap === due ? 'in now' : lap === due - 1 ? 'last lap' : String(due - lap),
      );
    }
    await standAt(page, outS + due * 100 + 60);
    await others(page, 'Pit exit', { kind: 'broughtIn', drive });
    await page.getByRole('button', { name: 'Parked', exact: true }).click();
    await page.getByRole('button', { name: 'Fuel ½' }).click();
    if (isSecond) await page.getByRole('button', { name: 'Fault: wheels and tyres' }).click();
    await page.getByRole('button', { name: 'Hand over the card' }).click();
    await page.getByRole('button', { name: /^Next: |^No further drive/ }).click();

    await page.goto('/handover');
    await page
      .getByRole('link', { name: new RegExp(`^Mark the drive of ${guest.name}`) })
      .and(page.locator(`[href*="${drive}"]`))
      .click();
    await page.getByRole('button', { name: 'smooth hands' }).click();
    await page.getByRole('button', { name: /^Save/ }).click();
    await expect.poll(async () => (await dayNow(page)).state.drives.get(drive)!.stage).toBe('done');
    await page.goto('/handover');
  }

  const { state, context } = await dayNow(page);
  for (const { planned } of drives) {
    const drive = state.drives.get(planned.drive)!;
    const { done, due } = progressOf(context, drive);
    expect([drive.stage, drive.instructor, done, drive.marked.length]).toEqual(['done', instructor.id, due, 1]);
    expect(drive.talked.size).toBeGreaterThan(5);
    expect(drive.handoverSeenBy).toBeTruthy();
    expect(state.garage.cars.get(planned.car)!.card?.where).toBe('out');
  }
  expect(state.garage.cars.get(drives[1]!.planned.car)!.faults.at(-1)?.where).toBe('wheels and tyres');
});

test('a marshal’s half hour: three mistakes, each put right with a tap or two', async ({ page }) => {
  test.setTimeout(180_000);
  await page.setViewportSize({ width: 1024, height: 768 });
  const begun = await dayNow(page);
  const fromS = begun.view.clock.secondsOfDay;
  const on = [...begun.state.drives.values()].filter(({ stage }) => stage === 'onCircuit');
  const [running, other] = on.sort((a, b) => a.crossings.length - b.crossings.length);
  await page.goto('/pit-exit');

  // The circuit may be full until the sighting runs are in.
  await vehiclesBack(page);

  // Let out, and it was the car behind it that the marshal meant.
  const checked = page.getByRole('button', { name: /^All checked: \d+$/ }).first();
  await checked.click();
  const letOut = page.getByRole('button', { name: /^Let out \d+$/ }).first();
  await letOut.click();
  await page.getByRole('button', { name: /^Undo: .*Let out/ }).click();
  const released = async () =>
    [...(await dayNow(page)).state.drives.values()].filter(({ releasedS }) => releasedS === fromS).length;
  await expect.poll(released).toBe(0);

  // Counted the wrong car.
  await standAt(page, fromS + 80);
  const crossings = async (id: string) => (await dayNow(page)).state.drives.get(id)!.count.hand ?? 0;
  const [mine, wrong] = [running!.drive.id, other!.drive.id];
  const [counted, before] = [await crossings(mine), await crossings(wrong)];
  const tap = (name: string) => page.getByRole('button', { name }).first().dispatchEvent('click');
  await tap(`Count lap of ${other!.guest.name}`);
  await page
    .getByRole('button', { name: /^Undo: .*Lap counted/ })
    .first()
    .click();
  await tap(`Count lap of ${running!.guest.name}`);
  await expect.poll(() => crossings(wrong)).toBe(before);
  await expect.poll(() => crossings(mine)).toBe(counted + 1);

  // Brought in a lap too early; and a lap that nobody counted.
  await standAt(page, fromS + 110);
  await tap(`More for ${other!.guest.name}`);
  await tap(`Bring in ${other!.guest.name}`);
  await page
    .getByRole('button', { name: /^Undo: .*Brought in/ })
    .first()
    .click();
  await expect.poll(async () => (await dayNow(page)).state.drives.get(wrong)!.stage).toBe('onCircuit');
  await tap(`More for ${running!.guest.name}`);
  await page.getByRole('button', { name: 'One more', exact: true }).click();
  const held = async () => (await dayNow(page)).state.drives.get(mine)!.crossings.length;
  await expect.poll(held).toBe(running!.crossings.length + 1);

  // Every mistake is in the journal with what put it right.
  const { view, state } = await dayNow(page);
  const kinds = new Map(view.journal.map(({ entry }) => [entry.id, entry.kind]));
  const corrected = view.journal.flatMap(({ entry }) =>
    entry.kind === 'correction' ? [kinds.get(entry.corrects)] : [],
  );
  expect(corrected.slice(-3)).toEqual(['released', 'lapCounted', 'broughtIn']);
  expect(state.drives.get(wrong)!.crossings.length).toBe(other!.crossings.length);
});
