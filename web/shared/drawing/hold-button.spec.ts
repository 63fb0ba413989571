import { ChangeDetectionStrategy, Component, signal } from '@angular/core';
import { HoldButton } from './hold-button';
import { show } from '../../testing/fake-day';
import { seen } from '../../testing/two-guests';

describe('A button to hold', () => {
  it('acts by keyboard as well, and not when it is let go early', async () => {
    @Component({
      changeDetection: ChangeDetectionStrategy.OnPush,
      imports: [HoldButton],
      template: `<jl-hold-button (held)="times.set(times() + 1)">Hold</jl-hold-button>`,
    })
    class Host {
      readonly times = signal(0);
    }
    const { element, fixture } = await show(Host, seen());
    const button = element.querySelector('button')!;
    const key = (type: string) => button.dispatchEvent(new KeyboardEvent(type, { key: 'Enter', bubbles: true }));
    key('keydown');
    key('keyup');
    await new Promise((resolve) => setTimeout(resolve, 1000));
    expect(fixture.componentInstance.times()).toBe(0);
    key('keydown');
    await new Promise((resolve) => setTimeout(resolve, 1000));
    expect(fixture.componentInstance.times()).toBe(1);
  });
});
