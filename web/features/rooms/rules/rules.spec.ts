import {
  NO_PATTERN,
  ORDINARY_COACHING,
  ORDINARY_GATE,
  ORDINARY_INTRODUCTION,
  ORDINARY_LIVE,
  venueFields,
} from '@core/venue/settings';
import { aCar, aDay, aPlan, at, drive } from '@core/testing/small-day';
import { ORDINARY_RULES } from '@core/day';
import * as z from 'zod';
import { RulesScreen } from './rules';
import { aBooking, FakeDay, show } from '../../../testing/fake-day';

const day = aDay({ cars: [aCar(), aCar({ id: 'c2', name: 'Sabrel R' })] });

const plan = aPlan({ drives: [drive('10:00')] });

const dayAt = (time: string) => new FakeDay(day, plan, time, [aBooking('g1', { name: 'Ines Faro' })]);

const settle = () => new Promise((resolve) => setTimeout(resolve));

describe('The rules', () => {
  const venue = z.encode(venueFields, {
    name: 'Test field',
    timeZone: 'Atlantic/Faroe',
    currency: 'EUR',
    opens: at('08:30'),
    closes: at('18:00'),
    condition: { name: 'dry', paceFactor: 1 },
    circuit: {
      name: 'Loop',
      lapLengthM: 2000,
      closures: [{ from: at('12:30'), to: at('13:00'), reason: 'quiet half-hour' }],
    },
    rules: ORDINARY_RULES,
    paces: { first: 1.25, before: 1.12, quick: 1 },
    sightingVehicles: [],
    pitExit: { lastCheck: ['Strap'] },
    coaching: ORDINARY_COACHING,
    live: ORDINARY_LIVE,
    gate: ORDINARY_GATE,
    introduction: ORDINARY_INTRODUCTION,
    putOff: [],
    surfaces: [],
    programmes: [],
    calendar: NO_PATTERN,
  });

  it('are saved as they stand, with what no field shows', async () => {
    const { element, http, fixture } = await show(RulesScreen, dayAt('10:00'));
    http.expectOne('/api/venue').flush({ version: 7, fields: venue });
    await settle();
    await fixture.whenStable();
    const closes = element.querySelector<HTMLInputElement>('#field-closes')!;
    closes.value = '19:00';
    closes.dispatchEvent(new Event('input'));
    element.querySelector('form')!.dispatchEvent(new Event('submit'));
    const { body } = http.expectOne('/api/venue').request;
    // What the rules leave open is saved as it holds: the lap out counts, a lap ends at the line, a flag grants none.
    const rules = { ...venue.rules, outLapCounts: true, flagLapsGranted: false };
    const circuit = { ...venue.circuit, endsBeforeLine: false };
    expect(body).toEqual({ version: 7, fields: { ...venue, closes: '19:00', rules, circuit } });
  });
});
