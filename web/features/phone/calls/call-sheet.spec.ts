import { fact } from '@core/values';
import { TestBed } from '@angular/core/testing';
import { By } from '@angular/platform-browser';
import { carFile } from '@core/track/car/at-start';
import {
  callSheet,
  carOf,
  LapModel,
  racingLine,
  taughtGears,
  teachingLine,
  type CallSettings,
  type CarFile,
  type Lap,
} from '@core/track/car';
import { centreLineOf, taughtCorners } from '@core/track/circuit';
import { SMALL_MODEL } from '@core/testing/small-model';
import { CircuitService } from '../../../shared/data/circuit.service';
import { show } from '../../../testing/fake-day';
import { LOOP } from '../../../testing/loop';
import { studiedCircuit } from '../../../testing/studied-loop';
import { dayAt, running } from '../../../testing/two-guests';
import { CallSheet } from './call-sheet';
import { PractiseLap } from './practise-lap';

/** The lines of the loop, worked out once, as the thread does it. */
const { car } = carOf(carFile.parse(SMALL_MODEL));
const centre = centreLineOf(LOOP.line, 2);
const racing = racingLine(centre, car);
const lines = {
  teaching: teachingLine(centre, car, LOOP.corners, 2, racing),
  taught: taughtCorners(centre, racing, LOOP.corners),
};

interface Asked {
  readonly model: CarFile;
  readonly pace: number;
  readonly settings: CallSettings;
}

async function sheet(data = dayAt('08:00')) {
  const asked: Asked[] = [];
  const shown = await show(CallSheet, data);
  const service = TestBed.inject(CircuitService);
  spyOn(service, 'calls').and.callFake(({ model }, pace, settings) => {
    asked.push({ model, pace, settings });
    const here = new LapModel(carOf(model).car, lines.teaching);
    const { windows } = taughtGears(here, lines.taught, { withinS: 0, without: [], corners: new Map() })!;
    const best = here.lap(pace) as Lap;
    const lap = (windows ? here.taught(windows, pace) : here.lap(pace)) as Lap;
    return Promise.resolve({
      corners: callSheet(lap, lines.taught, settings),
      lapTimeS: lap.lapTimeS,
      bestLapTimeS: best.lapTimeS,
      shifts: lap.changes.length,
      bestShifts: best.changes.length,
      way: { atM: lap.line.centreM, timeS: lap.timeS },
      fault: undefined,
    });
  });
  service.paces.set([1, 1.2]);
  studiedCircuit();
  await shown.follow();
  const says = () =>
    [...shown.element.querySelectorAll('li')].map((li) => Number(/say at (-?\d+) m/.exec(li.textContent)![1]));
  return { shown, service, asked, says };
}

describe('The calls of a lap', () => {
  it('stand corner by corner, each said before it is to be done', async () => {
    const { shown, asked } = await sheet();
    expect(asked.at(-1)!.pace).toBe(1.2);
    expect(shown.element.querySelectorAll('article').length).toBeGreaterThan(1);
    const rows = [...shown.element.querySelectorAll('li')].map((li) => li.textContent.replace(/\s+/g, ' '));
    for (const row of rows) expect(row).toMatch(/“.+” .*say at -?\d+ m.*done at -?\d+ m, \d+ km\/h/);
    expect(shown.text()).toMatch(/lap \d+\.\d s, \d+ shifts/);
    expect(shown.text()).toContain('Braking is finished in a straight line');
  });

  it('come half a second sooner where this guest needs it, and that one alone', async () => {
    const { shown, asked, says } = await sheet();
    const before = says();
    shown.element.querySelectorAll<HTMLButtonElement>('li button')[0]!.click();
    await shown.follow();
    expect(asked.at(-1)!.settings.sooner?.size).toBe(1);
    const after = says();
    expect(after[0]!).toBeLessThan(before[0]!);
    expect(after.slice(1)).toEqual(before.slice(1));
    shown.element.querySelectorAll<HTMLButtonElement>('li button')[0]!.click();
    await shown.follow();
    expect(says()).toEqual(before);
  });

  it('name gears for paddles and none for an automatic', async () => {
    const { shown, asked, service } = await sheet();
    service.coaching.update((coaching) => ({ ...coaching, speechS: 0.3 }));
    service.paces.set([1]);
    await shown.follow();
    expect(shown.text()).toMatch(/“(Down|Up) to \d/);
    expect(asked.at(-1)!.settings.gearbox).toBe('paddle');
    const paddles = shown.element.querySelectorAll('li').length;
    const auto = [...shown.element.querySelectorAll<HTMLElement>('p-togglebutton')].find((one) =>
      one.textContent.includes('Automatic'),
    )!;
    auto.querySelector<HTMLElement>('button, .p-togglebutton-content')?.click();
    if (asked.at(-1)!.settings.gearbox !== 'auto') auto.click();
    await shown.follow();
    expect(asked.at(-1)!.settings.gearbox).toBe('auto');
    expect(shown.element.querySelectorAll('li').length).toBeLessThan(paddles);
    expect(shown.text()).not.toMatch(/“(Down|Up) to \d/);
  });

  it('say why there are none: a circuit that cannot be driven, no car that the model knows', async () => {
    const { shown, service } = await sheet();
    (service.calls as jasmine.Spy).and.resolveTo({
      corners: [],
      lapTimeS: undefined,
      fault: { reason: fact('cannotClimb', {}), atM: 212.4 },
    });
    service.coaching.update((coaching) => ({ ...coaching, speechS: 2 }));
    await shown.follow();
    expect(shown.element.querySelector('[role=alert]')!.textContent).toBe('the car cannot climb this hill, at 212 m');
    service.cars.set([]);
    TestBed.resetTestingModule();
    const empty = await show(CallSheet, dayAt('08:00'));
    // Nothing has been read yet.
    expect(empty.text()).toContain('Reading the circuit…');
    TestBed.inject(CircuitService).stored.set({ version: 0, circuit: null });
    await empty.follow();
    expect(empty.text()).toContain('No car is known to the lap model yet');
  });

  it('of a car that was left meanwhile are not shown', async () => {
    const { shown, service } = await sheet();
    const answers: ((answer: never) => void)[] = [];
    (service.calls as jasmine.Spy).and.callFake(() => new Promise((settle) => answers.push(settle)));
    service.coaching.update((coaching) => ({ ...coaching, speechS: 1 }));
    await shown.follow();
    service.coaching.update((coaching) => ({ ...coaching, speechS: 2 }));
    await shown.follow();
    const answer = (lapTimeS: number) =>
      ({ corners: [], lapTimeS, bestLapTimeS: lapTimeS, shifts: 0, bestShifts: 0, fault: undefined }) as never;
    answers[1]!(answer(71));
    answers[0]!(answer(99));
    await shown.follow();
    expect(shown.text()).toContain('lap 71.0 s');
    expect(shown.text()).not.toContain('99');
  });

  it('become fewer on later laps, and say what found no room', async () => {
    const { shown } = await sheet();
    const rows = () => shown.element.querySelectorAll('li').length;
    const first = rows();
    const later = [...shown.element.querySelectorAll<HTMLElement>('p-togglebutton')].find((one) =>
      one.textContent.includes('Later'),
    )!;
    later.querySelector<HTMLElement>('button, .p-togglebutton-content')?.click();
    if (rows() === first) later.click();
    await shown.follow();
    expect(rows()).toBeLessThan(first);
    expect(shown.text()).toContain('quiet from lap 3 on');
  });

  it('come sooner by themselves where a fault came again, for the guest of this phone, and say so', async () => {
    const data = running('10:24');
    const marks = [{ fault: 'turns-early', corner: 'Bend', lap: 1 }];
    data.record({ kind: 'driveMarked', drive: 'd2', marks }, '10:22');
    data.record({ kind: 'driveMarked', drive: 'd2', marks: [{ ...marks[0]!, lap: 2 }] }, '10:23');
    localStorage.setItem('joylap.counter', 'i2');
    const { shown, asked } = await sheet(data);
    localStorage.removeItem('joylap.counter');
    const times = asked.length;
    data.clockS.update((s) => s + 1);
    await shown.follow();
    expect(asked.length).withContext('the clock alone asks for nothing').toBe(times);
    expect([...asked.at(-1)!.settings.sooner!]).toEqual(['Bend-turn']);
    expect(shown.text()).toContain('“Turn” sooner at Bend: turns in early, 2 times.');
  });

  it('are practised in the time of the lap, each word when it should be said', async () => {
    const { shown } = await sheet();
    await shown.press('Practise');
    const practise = shown.fixture.debugElement.query(By.directive(PractiseLap)).componentInstance as PractiseLap;
    const word = () => shown.element.querySelector('jl-practise-lap .word')!.textContent.trim();
    const heard = new Set<string>();
    for (let tenth = 0; tenth < 10 * practise.lapTimeS(); tenth++) {
      practise.advance(0.1);
      shown.fixture.detectChanges();
      if (word()) heard.add(word());
    }
    const said = practise.calls().map(({ text }) => text);
    expect([...heard].sort()).toEqual([...new Set(said)].sort());
  });
});
