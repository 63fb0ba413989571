import { aDay, aGuest, aPlan, at, drive } from '@core/testing/small-day';
import { circuitLoad } from './circuit-load';
import { FakeDay } from '../../testing/fake-day';

const plan = aPlan({ drives: [drive('10:00')] });

describe('The load of the circuit', () => {
  it('is what was driven up to now, and what is planned from then on', () => {
    const data = new FakeDay(aDay({ guests: [aGuest()] }), plan, '09:00');
    const at10 = (steps: ReturnType<typeof circuitLoad>) => steps.find(({ fromS }) => fromS === at('10:00'))!;
    expect(at10(circuitLoad(data.context(), data.state(), 300))).toEqual({
      fromS: at('10:00'),
      most: 1,
      driven: false,
    });
    // An hour later nothing has been entered: the drive did not take place.
    data.clockS.set(at('11:00'));
    expect(at10(circuitLoad(data.context(), data.state(), 300))).toEqual({ fromS: at('10:00'), most: 0, driven: true });
  });
});
