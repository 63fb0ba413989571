import { DrivesField } from './drives-field';
import { show } from '../../testing/fake-day';
import { dayAt } from '../../testing/left-out-day';

describe('The drives of a booking', () => {
  it('are added and removed, each with an id of its own', async () => {
    const { fixture, press } = await show(DrivesField, dayAt('09:00'), {
      cars: [{ label: '1 Dunnock Cup', value: 'c1' }],
    });
    const given: unknown[] = [];
    fixture.componentInstance.registerOnChange((drives) => given.push(drives));
    fixture.componentInstance.writeValue([{ id: 'old', cars: ['c1'], laps: 5, gearbox: 'auto' }]);
    await press('Add a drive');
    const two = given.at(-1) as { id: string; laps: number }[];
    expect(two.map(({ id, laps }) => [id === 'old', laps])).toEqual([
      [true, 5],
      [false, 5],
    ]);
    await press('Remove drive 1');
    expect((given.at(-1) as { id: string }[]).map(({ id }) => id)).toEqual([two[1]!.id]);
  });

  it('may be a ride, which has no gearbox', async () => {
    const { fixture } = await show(DrivesField, dayAt('09:00'), { cars: [] });
    const given: unknown[] = [];
    const field = fixture.componentInstance as unknown as {
      choose: (place: number, how: string) => void;
      writeValue: (drives: unknown) => void;
      registerOnChange: (take: (drives: unknown) => void) => void;
    };
    field.registerOnChange((drives) => given.push(drives));
    field.writeValue([{ id: 'd', cars: ['c1'], laps: 2, gearbox: 'auto' }]);
    field.choose(0, 'ride');
    expect(given.at(-1)).toEqual([{ id: 'd', cars: ['c1'], laps: 2, ride: { seats: 1 } }]);
    field.choose(0, 'paddle');
    expect(given.at(-1)).toEqual([{ id: 'd', cars: ['c1'], laps: 2, gearbox: 'paddle' }]);
  });
});
