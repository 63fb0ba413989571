import { stateOf } from '@core/journal';
import { aDay, aPlan, at, drive } from '@core/testing/small-day';
import { writtenJournal } from '@core/testing/written-journal';
import { EVEN_RING } from '@core/live/traffic';
import { CircuitTraffic } from './circuit-traffic';
import { Eyes } from './eyes';

const day = aDay();

/** Ines Faro is let out at ten. */
function morning() {
  const it = writtenJournal(day, aPlan({ drives: [drive('10:00')] }));
  for (const kind of ['guestArrived', 'waiverSigned', 'licenceSeen', 'helmetFitted'] as const) {
    it.enter('09:00', { kind, guest: 'g1' });
  }
  it.enter('09:56', { kind: 'seated', drive: 'd1', car: 'c1', instructor: 'i1' });
  it.enter('10:00', { kind: 'released', drive: 'd1' });
  return it;
}

function look(it: ReturnType<typeof morning>, from: string, to: string) {
  const eyes = new Eyes(new CircuitTraffic(EVEN_RING, 2000, { missed: 0, double: 0 }, 1));
  for (let s = at(from); s < at(to); s += 5) {
    eyes.watch(it.context, stateOf(it.context, it.entries, s), s, s + 5);
  }
  return eyes.ofDrive(stateOf(it.context, it.entries, at(to)).drives.get('d1')!);
}

describe('Eyes at the line', () => {
  it('see every lap of a drive and when the last one was, and no more than were bought', () => {
    const seen = look(morning(), '10:00', '10:30');
    expect(seen.laps).toBe(5);
    expect(seen.lastS! - at('10:00')).toBeGreaterThan(5 * 60);
    expect(seen.lastS! - at('10:00')).toBeLessThan(5 * 110);
  });

  it('go on from what was counted before they began to look', () => {
    const it = morning();
    it.enter('10:01:25', { kind: 'lapCounted', drive: 'd1', source: 'hand' });
    it.enter('10:02:48', { kind: 'lapCounted', drive: 'd1', source: 'hand' });
    expect(look(it, '10:02:50', '10:03:00').laps).toBe(2);
    expect(look(it, '10:02:50', '10:30').laps).toBe(5);
  });
});
