import type { HttpTestingController } from '@angular/common/http/testing';
import { TestBed } from '@angular/core/testing';
import { aDay, anInstructor, aPlan } from '@core/testing/small-day';
import { Router } from '@angular/router';
import { routes } from '../../../app/app.routes';
import { InstructorChoice } from '../../../shared/data/instructor-choice';
import { Who } from '../../../shared/data/who';
import { Ask } from '../../../shared/frame/ask';
import { FakeDay, show } from '../../../testing/fake-day';
import { settle } from '../../../testing/two-drives';
import { AddPhone } from './add-phone';
import { kindOf } from './join';
import { PhoneList } from './phone-list';
import { ThisPhone } from './this-phone';

const REPORT = { who: 'Petra', screen: '/marks/g-1', version: 'OLD1', waiting: 2 };
const PHONE = {
  id: 'p1',
  name: 'Red phone',
  addedAt: '2027-05-22T06:00:00.000Z',
  seenAt: '2020-05-22T06:00:00.000Z',
  report: REPORT,
  handedTo: null,
};
const NETWORK = { here: 'http://localhost:4700', addresses: ['https://10.0.0.5:4743'], ownAuthority: true };
const day = () =>
  new FakeDay(aDay({ instructors: [anInstructor({ id: 'i2', name: 'Nadia Lund' })] }), aPlan(), '09:00');

function answer(http: HttpTestingController, more: Record<string, unknown> = {}): void {
  for (const one of http.match('/api/phones')) one.flush({ phones: [PHONE], version: 'NEW1' });
  for (const one of http.match('/api/network')) one.flush({ ...NETWORK, withoutSignIn: false, ...more });
  for (const one of http.match('/api/phones/code')) one.flush({ code: 'ABC234', until: '2027-05-22T09:15:00.000Z' });
}

describe('The phones of the venue', () => {
  it('are told with whose they are, where, how fresh, and what waits on them', async () => {
    const { text, http, element } = await show(PhoneList, day());
    TestBed.inject(Router).resetConfig(routes);
    expect(text()).toContain('Reading the phones…');
    // It scrolls sideways on a narrow screen, by the keyboard too.
    expect(element.querySelector<HTMLElement>('[role="region"]')!.tabIndex).toBe(0);
    answer(http);
    await settle();
    for (const word of ['Red phone', 'Petra', 'Marks', 'ago', '2 entries wait', 'an older one']) {
      expect(text()).toContain(word);
    }
    expect(text()).not.toContain('Open to the network');
  });

  it('are warned of where the network is let in without having been added', async () => {
    const { text, http } = await show(PhoneList, day());
    answer(http, { withoutSignIn: true });
    await settle();
    expect(text()).toContain('Open to the network: whoever is on it reads and changes everything');
  });

  it('are put out after asking only, with what would be left on them', async () => {
    const { press, http } = await show(PhoneList, day());
    answer(http);
    await settle();
    await press('Put out Red phone');
    const ask = TestBed.inject(Ask);
    expect(ask.question()?.label).toContain('2 entries wait on it');
    http.expectNone({ method: 'DELETE', url: '/api/phones/p1' });
    ask.answer('Put out');
    await settle();
    http.expectOne({ method: 'DELETE', url: '/api/phones/p1' });
  });

  it('are told why none can be added', async () => {
    const { text, http } = await show(PhoneList, day());
    answer(http, { addresses: [], why: 'portTaken' });
    await settle();
    expect(text()).toContain('something else listens on its port');
  });
});

describe('A phone that is added', () => {
  it('comes by plain HTTP first, with the code in the address', async () => {
    const { fixture, http } = await show(AddPhone, day());
    fixture.componentRef.setInput('open', true);
    await settle();
    answer(http);
    await settle();
    const dialog = document.querySelector('[role=dialog]')!;
    expect(dialog.textContent).toContain('10.0.0.5:4743/add');
    expect(dialog.textContent).toContain('ABC234');
    expect(dialog.querySelector('[role=img]')!.getAttribute('aria-label')).toBe(
      'Code that opens http://10.0.0.5:4743/add/ABC234',
    );
  });

  it('is told the steps of its own kind', () => {
    expect(kindOf('Mozilla/5.0 (iPhone; CPU iPhone OS 18_0)', true)).toBe('iPhone');
    expect(kindOf('Mozilla/5.0 (Macintosh; Intel Mac OS X)', true)).toBe('iPad');
    expect(kindOf('Mozilla/5.0 (Macintosh; Intel Mac OS X)', false)).toBe('Computer');
    expect(kindOf('Mozilla/5.0 (Linux; Android 14) Mobile', true)).toBe('Android phone');
    expect(kindOf('Mozilla/5.0 (Linux; Android 14)', true)).toBe('Tablet');
  });

  it('reports, and becomes the phone of whom it is handed to', async () => {
    const { http } = await show(PhoneList, day());
    const who = TestBed.inject(Who);
    const before = who.name();
    jasmine.clock().install().mockDate();
    try {
      TestBed.inject(ThisPhone);
      TestBed.tick();
      jasmine.clock().tick(2100);
      const sent = http.expectOne('/api/phones/report');
      expect(sent.request.body.who).toBe(before);
      sent.flush({ name: 'Red phone', handedTo: 'Nadia Lund' });
    } finally {
      jasmine.clock().uninstall();
    }
    expect(who.name()).toBe('Nadia Lund');
    expect(TestBed.inject(InstructorChoice).me()?.id).toBe('i2');
    who.set(before);
    TestBed.inject(InstructorChoice).leave();
  });
});
