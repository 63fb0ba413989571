import { ChangeDetectionStrategy, Component, signal } from '@angular/core';
import { FormsModule } from '@angular/forms';
import { aDay, aPlan } from '@core/testing/small-day';
import { FakeDay, show } from '../../testing/fake-day';
import { MomentField } from './moment-field';

@Component({
  selector: 'jl-host',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [FormsModule, MomentField],
  template: `<jl-moment-field kind="date" [(ngModel)]="on" /><jl-moment-field kind="time" [(ngModel)]="at" />`,
})
class Host {
  readonly on = signal('2027-05-22');
  readonly at = signal('09:40');
}

async function shown() {
  const it = await show(Host, new FakeDay(aDay(), aPlan(), '09:00'));
  const [date, time] = it.element.querySelectorAll('input');
  const type = async (field: HTMLInputElement, text: string) => {
    field.value = text;
    field.dispatchEvent(new Event('input'));
    field.dispatchEvent(new Event('blur'));
    await it.fixture.whenStable();
  };
  return { ...it, host: it.fixture.componentInstance, date: date!, time: time!, type };
}

describe('A date or time that is entered', () => {
  it('is shown as the venue writes it, and read however it is typed', async () => {
    const { host, date, time, type } = await shown();
    expect([date.value, time.value]).toEqual(['22 May 2027', '09:40']);
    await type(date, '5.6.2027');
    await type(time, '1.05 pm');
    expect([host.on(), host.at()]).toEqual(['2027-06-05', '13:05']);
    expect([date.value, time.value]).toEqual(['5 Jun 2027', '13:05']);
  });

  it('that cannot be read stays as it was typed, for the form to say what is wrong', async () => {
    const { host, date, time, type } = await shown();
    await type(date, 'next week');
    await type(time, '26:00');
    expect([host.on(), host.at(), date.value, time.value]).toEqual(['next week', '26:00', 'next week', '26:00']);
  });
});
