import type { RequestRefusal } from '@core/api';
import { fact } from '@core/values';
import { at } from '@core/testing/small-day';
import { BY_ID } from './names';
import { wordsIn } from './';

/** Refusals of requests, each with what people read. */
const ROWS: readonly (readonly [RequestRefusal, string])[] = [
  [fact('notThere', { id: 'GET /api/nothing', date: undefined }, { kind: 'address' }), 'There is no GET /api/nothing.'],
  [fact('notThere', { id: undefined, date: undefined }, { kind: 'page' }), 'There is no page.'],
  [fact('notThere', { id: '2027-05-22', date: undefined }, { kind: 'eventDay' }), 'There is no event day 2027-05-22.'],
  [fact('notThere', { id: '3', date: '2027-05-22' }, { kind: 'plan' }), 'There is no plan 3 on 2027-05-22.'],
  [fact('notThere', { id: 'b1', date: '2027-05-22' }, { kind: 'booking' }), 'There is no booking "b1" on 2027-05-22.'],
  [fact('notThere', { id: 'i9', date: undefined }, { kind: 'instructor' }), 'There is no instructor "i9".'],
  [
    fact('notThere', { id: 'rough', date: undefined }, { kind: 'ownWords' }),
    'There is no word of the venue’s own for the fault "rough".',
  ],
  [
    fact('notThere', { id: undefined, date: undefined }, { kind: 'circuit' }),
    'There is no circuit: import or draw one first.',
  ],
  [fact('idTaken', { id: 'c4' }, { kind: 'car' }), 'There is a car with the id "c4" already.'],
  [fact('idIsACars', { id: 'c4' }), 'A car has the id "c4" already; a sighting vehicle needs one of its own.'],
  [fact('dayThere', { date: '2027-05-22' }), 'The event day 2027-05-22 is there already.'],
  [
    fact('changedMeanwhile', {}, { what: { kind: 'booking', name: 'Ines Faro' } }),
    'Somebody else has changed the booking of Ines Faro meanwhile. Nothing of yours is saved yet.',
  ],
  [
    fact('changedMeanwhile', {}, { what: { kind: 'venue' } }),
    'Somebody else has changed the rules meanwhile. Nothing of yours is saved yet.',
  ],
  [
    fact('changedMeanwhile', {}, { what: { kind: 'car', name: 'Dunnock Cup' } }),
    'Somebody else has changed Dunnock Cup meanwhile. Nothing of yours is saved yet.',
  ],
  [
    fact('acceptedMeanwhile', {}, { revision: 2, author: 'Maren', reason: 'A car is away' }),
    'Maren has accepted plan 2 meanwhile (A car is away). Look at it first.',
  ],
  [
    fact('faulty', {}, { part: 'body', first: { path: 'laps', message: 'expected 1 to 50 laps' }, more: 2 }),
    'The request is faulty: laps: expected 1 to 50 laps, and 2 more.',
  ],
  [
    fact('faulty', {}, { part: 'address', first: { path: 'date', message: 'expected a date' }, more: 0 }),
    'The address is faulty: date: expected a date.',
  ],
  [
    fact('unreadableFile', {}, { why: 'It takes over 5 s to read.' }),
    'This file cannot be read: It takes over 5 s to read.',
  ],
  [fact('tooLarge', {}, { mostBytes: 5 * 2 ** 20 }), 'The request is over 5 MB; send a smaller file.'],
  [fact('tooLarge', {}, { mostBytes: 100 * 1024 }), 'The request is over 100 kB; send a smaller file.'],
  [
    fact('picturesFull', {}, { mostBytes: 2e9 }),
    'The pictures of this venue take 2 GB already, which is the most they may.',
  ],
  [
    fact('dayFull', {}, { guests: 2001, drives: 90, mostGuests: 2000, mostDrives: 4000 }),
    'A day holds at most 2000 guests and 4000 drives; this would make 2001 and 90.',
  ],
  [
    fact('otherTime', {}, { madeForS: at('08:00'), nowS: at('08:20') }),
    'This was made for 08:00, and it is 08:20 now. Look again at what is to change.',
  ],
  [fact('otherLapsOwed', {}, { owed: 5, laps: 6 }), '5 laps are owed from this drive, not 6.'],
  [fact('otherLapsOwed', {}, { owed: 0, laps: 6 }), 'No laps are owed from it.'],
  [fact('linkToNothing', { fault: 'nowhere' }), 'There is no fault "nowhere" that this one could come from.'],
  [
    fact('linkedBackwards', { fault: 'runs-wide' }, { cause: 'Runs wide', effect: 'Turns in early' }),
    '"Runs wide" comes after "Turns in early" in a corner and cannot be its cause.',
  ],
  [
    fact('unknownHost', {}, { host: 'tower' }),
    'This server is not known as "tower". If it should be, start it with JOYLAP_HOSTS=tower.',
  ],
  [fact('otherContent', {}, { got: 'text/html', json: true }), 'Expected JSON, got "text/html".'],
  [fact('managerOnly', {}), "This is the manager's: enter the manager's code first."],
];

describe('Why a request is refused', () => {
  it('is said in whole sentences', () => {
    const { request } = wordsIn('en', BY_ID);
    for (const [refusal, sentence] of ROWS) expect(request(refusal)).toBe(sentence);
    for (const [, sentence] of ROWS) expect(sentence).toMatch(/^[A-Z"0-9].*\.$/);
  });
});
