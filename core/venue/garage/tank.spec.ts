import { closeOfDay } from '../closing';
import { aCar, aDay, aPlan, drive } from '../../testing/small-day';
import { writtenJournal } from '../../testing/written-journal';
import { isLow, tankOf } from './fuel';

describe('The tank of a car', () => {
  const fuel = { capacityL: 60, startL: 30, reserveL: 10, perLapL: 2, refuelS: 480 };
  const driven = () => {
    const it = writtenJournal(aDay({ cars: [aCar({ fuel })] }), aPlan({ drives: [drive('10:00')] }));
    for (const kind of ['guestArrived', 'waiverSigned', 'licenceSeen', 'helmetFitted'] as const)
      it.enter('09:00', { kind, guest: 'g1' });
    it.enter('09:56', { kind: 'seated', drive: 'd1', car: 'c1', instructor: 'i1' });
    it.enter('10:00', { kind: 'released', drive: 'd1' });
    for (const time of ['10:01:30', '10:02:50', '10:04:10'])
      it.enter(time, { kind: 'lapCounted', drive: 'd1', source: 'hand' });
    return it;
  };
  const tank = (it: ReturnType<typeof driven>, time: string) => {
    const state = it.state(time);
    return tankOf(state, state.cars.get('c1')!);
  };

  it('goes down by the lap, and is what was read or filled from then on', () => {
    const it = driven();
    expect(tank(it, '09:30').litres).toBe(30);
    expect(tank(it, '10:05').litres).toBe(24);
    it.enter('10:20', { kind: 'fuelRead', car: 'c1', litres: 21 });
    expect(tank(it, '10:21').litres).toBe(21);
    expect(tank(it, '10:21').perLapL).toBeGreaterThan(2);
    it.enter('10:30', { kind: 'broughtIn', drive: 'd1' });
    it.enter('10:31', { kind: 'parked', drive: 'd1' });
    it.enter('10:35', { kind: 'refuelBegan', car: 'c1' });
    it.enter('10:43', { kind: 'refuelEnded', car: 'c1' });
    expect(tank(it, '10:44').litres).toBe(60);
  });

  it('is low where it does not last for a long drive above the reserve, for every screen and the close alike', () => {
    const it = driven();
    const car = aCar({ fuel });
    expect(isLow(tank(it, '09:30'), car)).toBe(false);
    expect(isLow(tank(it, '10:05'), car)).toBe(true);
    const { toDo } = closeOfDay({ context: it.context, state: it.state('10:05'), entries: it.entries, money: [] });
    expect(toDo.map(({ code }) => code)).toContain('needsFuel');
  });
});
