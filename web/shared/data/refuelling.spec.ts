import { ChangeDetectionStrategy, Component, inject } from '@angular/core';
import { Ask } from '../frame/ask';
import { show } from '../../testing/fake-day';
import { dayAt } from '../../testing/two-guests';
import { Refuelling } from './refuelling';

@Component({ selector: 'jl-test-refuelling', changeDetection: ChangeDetectionStrategy.OnPush, template: '' })
class Host {
  readonly refuelling = inject(Refuelling);
  readonly ask = inject(Ask);
}

describe('Refuelling', () => {
  it('says until when, and who waits for it; asks what went in, and takes full or litres', async () => {
    const data = dayAt('10:12');
    const said = spyOn(data, 'say') as unknown as jasmine.Spy;
    const { fixture } = await show(Host, data);
    const { refuelling, ask } = fixture.componentInstance;
    refuelling.begin('c1');
    expect(said.calls.mostRecent().args[0]).toMatch(/Dunnock Cup is refuelled until 10:\d\d\. .*(waits|In time for) /);
    const answered = async (text: string | undefined) => {
      const ended = refuelling.end('c1');
      ask.answer(text);
      await ended;
    };
    await answered(undefined);
    await answered('plenty');
    expect(data.state().cars.get('c1')!.refuelling).toBeTrue();
    expect(data.refused.at(-1)).toContain('“plenty” is no number of litres');
    await answered('12,5 l');
    expect(data.state().cars.get('c1')!.refuelling).toBeFalse();
    expect(data.kinds().slice(-2)).toEqual(['refuelEnded', 'fuelRead']);
    data.clockS.update((s) => s + 60);
    refuelling.begin('c1');
    await answered('full');
    expect(data.kinds().at(-1)).toBe('refuelEnded');
  });
});
