import { fact } from '@core/day';
import { TestBed } from '@angular/core/testing';
import {
  callSheet,
  carFile,
  carOf,
  isLap,
  LapModel,
  racingLine,
  teachingLine,
  type CallSettings,
  type CarFile,
} from '@core/car';
import { centreLineOf, taughtCorners } from '@core/circuit';
import { SMALL_MODEL } from '@core/testing/small-model';
import { CircuitService } from '../data/circuit.service';
import { show } from '../testing/fake-day';
import { LOOP } from '../testing/loop';
import { studiedCircuit } from '../testing/studied-loop';
import { dayAt } from '../testing/two-guests';
import { CallSheet } from './call-sheet';

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

async function sheet() {
  const asked: Asked[] = [];
  const shown = await show(CallSheet, dayAt('08:00'));
  const service = TestBed.inject(CircuitService);
  spyOn(service, 'calls').and.callFake((model, pace, settings) => {
    asked.push({ model, pace, settings });
    const lap = new LapModel(carOf(model).car, lines.teaching).lap(pace, 1);
    return Promise.resolve(
      isLap(lap)
        ? {
            kind: 'calls',
            id: 1,
            corners: callSheet(lap, lines.taught, settings),
            lapTimeS: lap.lapTimeS,
            fault: undefined,
          }
        : { kind: 'calls', id: 1, corners: [], lapTimeS: undefined, fault: lap },
    );
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
    expect(shown.text()).toMatch(/lap \d+\.\d s/);
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
    const { shown, asked } = await sheet();
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
  });

  it('say why there are none: a circuit that cannot be driven, no car that the model knows', async () => {
    const { shown, service } = await sheet();
    (service.calls as jasmine.Spy).and.resolveTo({
      kind: 'calls',
      id: 1,
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
    const answer = (lapTimeS: number) => ({ kind: 'calls', id: 1, corners: [], lapTimeS, fault: undefined }) as never;
    answers[1]!(answer(71));
    answers[0]!(answer(99));
    await shown.follow();
    expect(shown.text()).toContain('lap 71.0 s');
    expect(shown.text()).not.toContain('99');
  });
});
