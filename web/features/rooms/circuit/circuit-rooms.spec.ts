import { TestBed } from '@angular/core/testing';
import { LEGENDS, type Legend } from '@core/track/circuit';
import { GarageService } from '../../../shared/data/garage.service';
import { Ask } from '../../../shared/frame/ask';
import { show } from '../../../testing/fake-day';
import { LOOP } from '../../../testing/loop';
import { STUDY, studiedCircuit } from '../../../testing/studied-loop';
import { dayAt } from '../../../testing/two-guests';
import { CornerBookScreen } from './corner-book';
import { Fleet } from './fleet';
import { LapChart } from './lap-chart';
import { LegendEditor } from './legend-editor';
import { SetOut } from './set-out';

const wordsOf = (element: Element | null) => element?.textContent?.replace(/\s+/g, ' ').trim() ?? '';

describe('The sheet by which cones are set out', () => {
  const sheet = async () => {
    const data = dayAt('08:00');
    const shown = await show(SetOut, data);
    const service = studiedCircuit();
    await shown.follow();
    const rows = () => [...shown.element.querySelectorAll('tbody tr')];
    const tick = (row: number) => rows()[row]!.querySelector<HTMLInputElement>('input')!;
    return { data, shown, service, rows, tick };
  };

  it('lists every cone in the order in which one drives by, with what it means and where it stands', async () => {
    const { rows, shown } = await sheet();
    expect(rows().length).toBe(STUDY.cones.cones.length);
    const metres = rows().map((row) => Number.parseInt(wordsOf(row.querySelector('.n')), 10));
    expect(metres).toEqual([...metres].sort((a, b) => a - b));
    const [first] = rows();
    expect(wordsOf(first!)).toMatch(/m (beyond|inside) the edge/);
    expect(shown.text()).toContain(`${rows().length} of ${rows().length} to look at`);
    const load = [...shown.element.querySelectorAll('aside li b')].map((one) => Number(one.textContent));
    const cones = STUDY.cones.cones.filter(({ marker }) => marker.by !== 'landmark');
    expect(load.reduce((sum, count) => sum + count, 0)).toBe(cones.reduce((sum, { marker }) => sum + marker.count, 0));
  });

  it('measures along the line that is chosen, from the start and from cone to cone', async () => {
    const { rows, shown } = await sheet();
    const metres = () =>
      rows().map((row) => [...row.querySelectorAll('.n')].map((cell) => Number.parseFloat(wordsOf(cell))));
    const middle = metres();
    for (const [place, [fromStartM, fromLastM]] of middle.entries()) {
      expect(fromStartM! - (middle[place - 1]?.[0] ?? 0)).toBeCloseTo(fromLastM!, 0);
    }
    shown.element.querySelectorAll<HTMLElement>('p-selectbutton [role="radio"], p-togglebutton')[1]!.click();
    await shown.follow();
    expect(shown.text()).toContain('distances along the left edge');
    expect(Math.abs(metres().at(-1)![0]! - middle.at(-1)![0]!)).toBeGreaterThan(5);
    localStorage.removeItem('joylap.setOutAlong');
  });

  it('is ticked off one by one or all at once, and a tick taken back is a doubt', async () => {
    const { data, shown, rows, tick } = await sheet();
    tick(0).click();
    await shown.follow();
    expect(shown.text()).toContain(`${rows().length - 1} of ${rows().length} to look at`);
    expect(wordsOf(rows()[0]!.querySelector('.state'))).toContain('08:00 Test');
    tick(0).click();
    await shown.follow();
    expect(wordsOf(rows()[0]!.querySelector('.state'))).toContain('to be looked at again');
    await shown.press('All looked at');
    await shown.follow();
    expect(shown.text()).toContain('All cones looked at');
    expect(data.kinds()).toEqual(['conesChecked', 'coneDoubted', 'conesChecked']);
    expect(data.written()[2]!.entry).toEqual(
      jasmine.objectContaining({ cones: STUDY.cones.cones.map(({ id }) => id) }),
    );
  });

  it('keeps what is wrong with a cone, in words, and nothing where the person thinks better of it', async () => {
    const { data, shown, rows } = await sheet();
    rows()[1]!.querySelector<HTMLButtonElement>('.doubt-it')!.click();
    TestBed.inject(Ask).answer(undefined);
    await shown.follow();
    expect(data.kinds()).toEqual([]);
    rows()[1]!.querySelector<HTMLButtonElement>('.doubt-it')!.click();
    TestBed.inject(Ask).answer('lies in the grass');
    await shown.follow();
    expect(wordsOf(rows()[1]!.querySelector('.stop'))).toBe('doubted 08:00: lies in the grass');
  });

  it('begins anew after an incident: what was looked at before it is to be looked at again', async () => {
    const { data, shown, rows } = await sheet();
    await shown.press('All looked at');
    data.clockS.set(9 * 3600);
    data.record({ kind: 'incident', what: 'spin at Ramp', cars: ['c1'], unhurt: true });
    await shown.follow();
    expect(shown.text()).toContain('After the incident (spin at Ramp)');
    expect(shown.text()).toContain(`${rows().length} of ${rows().length} to look at`);
    expect(wordsOf(rows()[0]!.querySelector('.state'))).toContain('before the incident');
    data.clockS.set(9 * 3600 + 600);
    await shown.press('All looked at');
    await shown.follow();
    expect(shown.text()).toContain('All cones looked at');
  });

  it('says that it shows what is not saved yet, and what to do where there is no circuit', async () => {
    const { shown, service } = await sheet();
    expect(shown.text()).not.toContain('not saved yet');
    service.change({ ...LOOP, name: 'Loop, longer' });
    await shown.follow();
    expect(shown.text()).toContain('not saved yet');
    service.draft.set(undefined);
    await shown.follow();
    expect(shown.text()).toContain('import one on the map');
  });
});

describe('The corner book', () => {
  const book = async () => {
    const shown = await show(CornerBookScreen, dayAt('08:00'));
    const service = studiedCircuit();
    await shown.follow();
    const corner = async (name: string) => {
      [...shown.element.querySelectorAll<HTMLButtonElement>('ol button')]
        .find((it) => it.textContent.includes(name))!
        .click();
      await shown.follow();
    };
    const write = async (place: number, text: string) => {
      const field = shown.element.querySelectorAll<HTMLInputElement>('.fields input[maxlength], .fields textarea')[
        place
      ]!;
      field.value = text;
      field.dispatchEvent(new Event('change'));
      await shown.follow();
    };
    return { shown, service, corner, write };
  };

  it('has a page for every corner with what was worked out of it', async () => {
    const { shown } = await book();
    const names = [...shown.element.querySelectorAll('ol button')].map((it) => it.textContent);
    expect(names.length).toBe(STUDY.corners.length);
    expect(shown.text()).toMatch(/\d+° to the (left|right), radius \d+ m/);
    expect(shown.text()).toMatch(/brake cone|Nobody needs to brake here/);
  });

  it('takes what is known of a corner into the circuit, to be saved, and can be taken back', async () => {
    const { shown, service, corner, write } = await book();
    await corner('Slip');
    await write(0, 'the mooring post');
    const slip = () => service.draft()!.corners.find(({ name }) => name === 'Slip')!;
    expect(slip().book?.lookAt).toBe('the mooring post');
    expect(service.draft()!.corners.find(({ name }) => name === 'Ramp')).toEqual(LOOP.corners[0]);
    expect(service.changed()).toBeTrue();
    const saving = shown.press('Save the book');
    shown.http.expectOne({ method: 'PUT', url: '/api/circuit' }).flush({ version: 5, circuit: service.draft() });
    await saving;
    await shown.follow();
    expect(service.changed()).toBeFalse();
  });

  it('changes nothing where the same is written again', async () => {
    const { service, corner, write } = await book();
    await corner('Slip');
    await write(0, 'the mooring post');
    const written = service.draft();
    await write(0, 'the mooring post');
    expect(service.draft()).toBe(written);
  });

  it('offers to name a corner that only the line shows', async () => {
    const { shown, service, corner } = await book();
    const unnamed = STUDY.corners.find(({ taught }) => !taught.named)!;
    await corner(unnamed.name);
    await shown.press('Name it');
    const names = service.draft()!.corners.map(({ name }) => name);
    expect(names).toContain(unnamed.name);
    expect(names.length).toBe(3);
    const places = service.draft()!.corners.map(({ atM }) => atM);
    expect(places).toEqual([...places].sort((a, b) => a - b));
  });

  it('says so where saving is refused, and keeps what is written', async () => {
    const { shown, service, corner, write } = await book();
    await corner('Ramp');
    await write(0, 'the crane');
    const saving = shown.press('Save the book');
    shown.http
      .expectOne({ method: 'PUT', url: '/api/circuit' })
      .flush(
        { type: 'about:blank', title: 'No', status: 409, detail: 'Dagny was first.' },
        { status: 409, statusText: 'No' },
      );
    await saving;
    await shown.follow();
    expect(service.draft()!.corners[0]!.book?.lookAt).toBe('the crane');
    expect(service.changed()).toBeTrue();
  });
});

describe('The legend of the cones', () => {
  const editor = async () => {
    const shown = await show(LegendEditor, dayAt('08:00'), { legend: LEGENDS[0]!, open: true });
    const told: Legend[] = [];
    shown.fixture.componentInstance.changed.subscribe((legend) => told.push(legend));
    await shown.follow();
    const field = <T extends HTMLElement>(label: string) =>
      document.querySelector<T>(`p-dialog [aria-label="${label}"], .p-dialog [aria-label="${label}"]`)!;
    return { told, shown, field };
  };

  it('begins with one of the ordinary ones', async () => {
    const { told } = await editor();
    const button = [...document.querySelectorAll<HTMLButtonElement>('.p-dialog .presets button')].at(-1)!;
    button.click();
    expect(told).toEqual([LEGENDS.at(-1)!]);
  });

  it('becomes the venue’s own with the first change, and leaves the other meanings as they are', async () => {
    const { told, field } = await editor();
    const count = field<HTMLSelectElement>('brake: how many');
    count.value = '3';
    count.dispatchEvent(new Event('change'));
    expect(told.length).toBe(1);
    const { name, brake, ...others } = told[0]!;
    const { name: _, brake: before, ...same } = LEGENDS[0]!;
    expect([name, brake.count, brake.colour]).toEqual(['Our own', 3, before.colour]);
    expect(others).toEqual(same);
  });

  it('is called by what people say; an emptied name changes nothing', async () => {
    const { told, field } = await editor();
    const called = field<HTMLInputElement>('apex is called');
    called.value = '   ';
    called.dispatchEvent(new Event('change'));
    expect(told).toEqual([]);
    called.value = ' chalk white ';
    called.dispatchEvent(new Event('change'));
    expect(told.map(({ apex }) => apex.colour)).toEqual(['chalk white']);
  });
});

describe('The fleet on the teaching line', () => {
  const fleet = async (measured = 0) => {
    const data = dayAt('08:00');
    const shown = await show(Fleet, data);
    studiedCircuit();
    const lap = { medianS: 83.25, count: measured };
    if (measured > 0) TestBed.inject(GarageService).earlier.set([{ car: 'c1', date: '2027-05-21', lap } as never]);
    await shown.follow();
    const row = (name: string) =>
      [...shown.element.querySelectorAll('tbody tr')].find((it) => it.textContent.includes(name))!;
    const put = (id: string) => shown.http.expectOne({ method: 'PUT', url: `/api/cars/${id}` });
    return { shown, row, put };
  };
  const lapOf = (id: string) => STUDY.laps.find(({ car, pace }) => car === id && pace === 1)!;

  it('tells what a lap takes, burns and heats, beside what the day plans with', async () => {
    const { row } = await fleet();
    const { lapTimeS, fuelL, topSpeedKmh } = lapOf('c1');
    const words = wordsOf(row('Dunnock Cup'));
    for (const part of [`${lapTimeS.toFixed(1)} s`, 'none yet', '80 s', `${fuelL.toFixed(2)} l`]) {
      expect(words).toContain(part);
    }
    expect(words).toContain(`${topSpeedKmh.toFixed(0)} km/h`);
    expect(wordsOf(row('Vessant 610'))).toContain('Not known to the lap model');
  });

  it('lets the day plan with what the model knows, at the version of the car, and with nothing else changed', async () => {
    const { shown, put } = await fleet();
    const better = Math.round(lapOf('c1').lapTimeS * 10) / 10;
    await shown.press(`1 Dunnock Cup: plan with ${better} s`);
    const { body } = put('c1').request;
    expect([body.version, body.fields.lapTimeS, body.fields.level, body.fields.number]).toEqual([3, better, 1, 1]);
    await shown.press(`2 Sabrel R: plan with ${lapOf('c2').fuelL.toFixed(2)} l a lap`);
    const { fuel } = put('c2').request.body.fields;
    expect(fuel.perLapL).toBeCloseTo(lapOf('c2').fuelL, 2);
    expect([fuel.capacityL, fuel.reserveL]).toEqual([60, 10]);
  });

  it('prefers what was measured once there are twenty laps of it', async () => {
    const few = await fleet(19);
    expect(wordsOf(few.row('Dunnock Cup'))).toContain('83.3 s 19 laps');
    expect(few.shown.element.querySelector('[aria-label="1 Dunnock Cup: plan with 83.3 s"]')).toBeNull();
    TestBed.resetTestingModule();
    const { shown, put } = await fleet(20);
    await shown.press('1 Dunnock Cup: plan with 83.3 s');
    expect(put('c1').request.body.fields.lapTimeS).toBe(83.3);
  });

  it('says from tame to fierce, and what to say in the car to who drove another one before', async () => {
    const { shown } = await fleet();
    expect(shown.text()).toContain('1 Dunnock Cup · 2 Sabrel R');
    expect(shown.element.querySelector('jl-difference-card')).not.toBeNull();
    const marks = [...shown.element.querySelectorAll('.brakes circle title')].map((title) => title.textContent);
    expect(marks.length).toBeGreaterThan(0);
    for (const words of marks) expect(words).toMatch(/^[12] [\w ]+, pace [\d.]+: -?\d+ m before the turn-in$/);
  });
});

describe('Speed along the lap', () => {
  it('is drawn for the car that is shown, and has words for who does not see it', async () => {
    const { element } = await show(LapChart, dayAt('08:00'), { study: STUDY, car: '1 Dunnock Cup', cursorM: 120 });
    expect(element.querySelector('[role=img]')!.getAttribute('aria-label')).toBe(
      'Speed and curvature along the lap of 1 Dunnock Cup',
    );
    expect(element.querySelector('canvas')!.width).toBeGreaterThan(0);
  });
});
