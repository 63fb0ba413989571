import type { DeviceRefusal, DataIssueFact, DataIssuePlace } from '@core/api';
import { fact } from '@core/values';
import { at } from '@core/testing/small-day';
import { BY_ID } from './names';
import { wordsIn } from './';

const words = wordsIn('en', BY_ID);

describe('What is at fault in a day is told', () => {
  const leftOut = (place: DataIssuePlace, whole: boolean, named: { id?: string; name?: string } = {}): DataIssueFact =>
    fact('leftOut', named, { place, whole });

  it('by what it is called, and what became of it', () => {
    expect(words.dataIssue(leftOut('cars', true, { id: 'c4', name: 'Halyard GT' }))).toBe(
      'A car, Halyard GT (c4), cannot be read and is left out',
    );
    expect(words.dataIssue(leftOut('bookings', false, { id: 'b7' }))).toBe(
      'A booking, b7, has something wrong in it, which is left out',
    );
    // A venue has one of each of these, which needs no name.
    expect(words.dataIssue(leftOut('rules', false, { id: '1' }))).toBe(
      'The page of rules has something wrong in it, which is left out',
    );
    expect(words.dataIssue(leftOut('circuit', true))).toBe('The circuit cannot be read and is left out');
  });

  it('where a plan, an entry or the whole day cannot be read', () => {
    expect(words.dataIssue(fact('planUnreadable', {}, { revision: 3, shown: 2 }))).toBe(
      'Plan 3 cannot be read: plan 2 is shown instead',
    );
    expect(words.dataIssue(fact('planUnreadable', {}, { revision: 1, shown: 0 }))).toBe(
      'Plan 1 cannot be read: the day is shown without a plan',
    );
    expect(words.dataIssue(fact('entryUnreadable', {}, { seq: 12 }))).toContain('(number 12)');
    const values = { by: 'Maren', closesS: at('09:00'), opensS: at('10:00') };
    expect(words.dataIssue(fact('closingBeforeOpening', { entry: 'e1' }, values))).toBe(
      'Maren has moved the closing to 09:00, and the day opens at 10:00',
    );
  });

  it('where the server itself cannot be believed', () => {
    expect(words.dataIssue(fact('clockOff', {}, { aheadMin: 1440, devices: 3 }))).toBe(
      'By the clock of 3 phones, the server’s is 24 h ahead',
    );
    expect(words.dataIssue(fact('clockOff', {}, { aheadMin: -7, devices: 1 }))).toBe(
      'By the clock of one phone, the server’s is 7 min behind',
    );
    expect(words.dataIssue(fact('clockSetBack', {}, { lastAt: '2027-05-22T09:30:12.000Z' }))).toContain(
      '(2027-05-22 09:30 UTC)',
    );
    expect(words.dataIssue(fact('knownByPhone', { phone: 'Red' }, { count: 1 }))).toContain('“Red” knows an entry');
    expect(words.dataIssueRemedy('devices', fact('clockSetBack', {}, { lastAt: '' }))).toContain('Set the clock');
  });

  it('with what puts it right', () => {
    const places = ['rules', 'cars', 'crew', 'bookings', 'circuit', 'roster', 'board', 'journal'] as const;
    const remedies = places.map((place) => words.dataIssueRemedy(place, leftOut(place, true)));
    expect(new Set(remedies).size).toBe(places.length);
    for (const remedy of remedies) expect(remedy).toMatch(/\.$/);
    expect(words.dataIssueRemedy('rules', fact('dayUnreadable', {}))).toBe('Restore a backup.');
  });
});

describe('A line of a device that is refused says why', () => {
  it('so that whoever sets the device up can put it right', () => {
    const rows: [DeviceRefusal, string][] = [
      [fact('notALine', {}), 'A line is not in the format of a device.'],
      [fact('notABody', {}), 'A body is not in the format of a device.'],
      [fact('wrongSignature', {}), 'The signature is not that of this device.'],
      [fact('sentBefore', {}, { seq: 4, lastSeq: 9 }), 'Number 4 comes after 9: sent before.'],
      [fact('unknownTransponder', { transponder: 'T-9' }), 'No car has the transponder "T-9".'],
      [fact('clockAhead', {}, { time: '11:02:03' }), "The device's clock is ahead of the venue's: 11:02:03."],
      [fact('notTaken', {}, { why: 'Closed.' }), 'Closed.'],
    ];
    for (const [refusal, sentence] of rows) expect(words.deviceRefusal(refusal)).toBe(sentence);
  });
});

describe('A plan that was accepted for one guest says why', () => {
  it('with the change that made room', () => {
    const remedied = (change: Parameters<typeof fact>[2]) =>
      words.revisionReason(fact('remedied', { guest: 'Ines' }, { change }) as never);
    expect(remedied({ kind: 'car', drive: 'd1', car: 'c2' })).toBe('A place for Ines: c2 instead');
    expect(remedied({ kind: 'unpin', drive: 'd1' })).toBe('A place for Ines: the pin is out');
    expect(remedied({ kind: 'stays', guest: 'Ines', until: at('15:00') })).toBe('A place for Ines: stays until 15:00');
    expect(remedied({ kind: 'closes', to: at('17:30') })).toBe('A place for Ines: closing at 17:30');
    expect(remedied({ kind: 'crew', instructor: 'i1', from: at('08:00'), to: at('09:00') })).toBe(
      'A place for Ines: i1 from 08:00 to 09:00',
    );
  });

  it('or the laps it is for', () => {
    const subjects = { guest: 'Ines', cars: ['c1', 'c2'] };
    expect(words.revisionReason(fact('lapsOwedTo', subjects, { laps: 1 }))).toBe(
      'Laps owed to Ines: 1 lap in c1 or c2',
    );
    expect(words.revisionReason(fact('oneMoreDriveFor', subjects, { laps: 3 }))).toBe(
      'One more drive for Ines: 3 laps in c1 or c2',
    );
  });
});
