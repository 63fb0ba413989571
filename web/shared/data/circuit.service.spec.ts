import type { HttpTestingController } from '@angular/common/http/testing';
import { TestBed } from '@angular/core/testing';
import { ORDINARY_COACHING } from '@core/venue/settings';
import { circuitFile } from '@core/track/circuit/at-start';
import { type Circuit } from '@core/track/circuit';
import { square } from '@core/testing/circuits';
import { serveDay } from '../../testing/fake-day';
import { theDay } from '../../testing/two-drives';
import { CircuitService, gripOf } from './circuit.service';

const LOOP = circuitFile.parse({ name: 'Loop', line: square(400, 40, 6), corners: [{ name: 'Ramp', atM: 180 }] });
const named = (name: string): Circuit => ({ ...LOOP, name });
const refusal = (detail: string) =>
  [
    { type: 'about:blank', title: 'No', status: 409, detail },
    { status: 409, statusText: 'Conflict' },
  ] as const;

describe('The circuit as it is edited', () => {
  let http: HttpTestingController;
  let circuit: CircuitService;
  beforeEach(() => {
    http = serveDay(theDay());
    circuit = TestBed.inject(CircuitService);
  });
  const stored = (version: number, one: Circuit | null) => {
    circuit.stored.set({ version, circuit: one });
    circuit.draft.set(one ?? undefined);
  };
  const save = () => {
    const told: string[] = [];
    circuit.save().subscribe({
      next: ({ version }) => told.push(`version ${version}`),
      error: ({ message }: Error) => told.push(message),
    });
    return { told, request: http.expectOne({ method: 'PUT', url: '/api/circuit' }) };
  };

  it('is changed step by step, taken back and done again, and a new change ends what could be done again', () => {
    stored(4, LOOP);
    for (const name of ['a', 'b', 'c']) circuit.change(named(name));
    circuit.undo();
    circuit.undo();
    expect([circuit.draft()?.name, circuit.canUndo(), circuit.canRedo()]).toEqual(['a', true, true]);
    circuit.redo();
    expect(circuit.draft()?.name).toBe('b');
    circuit.change(named('d'));
    expect(circuit.canRedo()).toBeFalse();
    for (let step = 0; step < 9; step++) circuit.undo();
    expect([circuit.draft(), circuit.changed(), circuit.canUndo()]).toEqual([LOOP, false, false]);
  });

  it('goes back a hundred steps', () => {
    stored(4, LOOP);
    for (let step = 1; step <= 130; step++) circuit.change(named(`step ${step}`));
    for (let step = 0; step < 200; step++) circuit.undo();
    expect(circuit.draft()?.name).toBe('step 30');
  });

  it('is saved at the version it was read with, the first one at none', () => {
    circuit.change(named('new'));
    const first = save();
    expect(first.request.request.body.version).toBe(0);
    first.request.flush({ version: 1, circuit: first.request.request.body.circuit });
    expect([first.told, circuit.changed()]).toEqual([['version 1'], false]);
    stored(7, LOOP);
    circuit.change(named('again'));
    expect(save().request.request.body.version).toBe(7);
  });

  it('stays as it is edited where saving is refused, until one goes on from what others have saved', () => {
    stored(4, LOOP);
    circuit.change(named('mine'));
    const { told, request } = save();
    request.flush(...refusal('Somebody else has changed the circuit meanwhile.'));
    expect(told).toEqual(['Somebody else has changed the circuit meanwhile.']);
    expect([circuit.draft()?.name, circuit.changed()]).toEqual(['mine', true]);
    circuit.discard();
    expect([circuit.draft(), circuit.canUndo()]).toEqual([LOOP, false]);
    circuit.readAnew();
    expect(circuit.draft()).toBeUndefined();
    expect(http.expectOne('/api/circuit').request.method).toBe('GET');
  });

  it('says why it cannot be read', () => {
    circuit.refresh();
    http.expectOne('/api/cars').flush({ cars: [] });
    http.expectOne('/api/circuit').flush(...refusal('The circuit is being imported.'));
    expect(circuit.failure()).toBe('The circuit is being imported.');
  });

  it('names a car by its number, and one that is none as an ordinary one', () => {
    expect(circuit.carName('c1')).toBe('an ordinary sports car');
    expect(circuit.coaching()).toBe(ORDINARY_COACHING);
  });
});

describe('The grip of a condition', () => {
  it('goes by its name, however it is written, and else by how much slower it makes a lap', () => {
    expect(gripOf({ name: ' WET ', paceFactor: 1 })).toBe(0.65);
    expect(gripOf({ name: 'dry', paceFactor: 1.2 })).toBe(1);
    expect([1, 1.08, 1.2].map((paceFactor) => gripOf({ name: 'salt spray', paceFactor }))).toEqual([1, 0.8, 0.65]);
  });

  it('is that of the time which is shown, until somebody looks at another', () => {
    const data = theDay();
    const rain = { name: 'dry', paceFactor: 1, changes: [{ from: 13 * 3600, name: 'wet', paceFactor: 1.15 }] };
    data.view.update((view) => ({ ...view, day: { ...view.day, condition: rain } }));
    serveDay(data);
    const circuit = TestBed.inject(CircuitService);
    expect(circuit.grip()).toBe(1);
    data.showTime(13.5 * 3600);
    expect(circuit.grip()).toBe(0.65);
    circuit.lookAtGrip(0.8);
    expect([circuit.grip(), circuit.gripNow()]).toEqual([0.8, 0.65]);
    circuit.lookAtGrip(undefined);
    expect(circuit.grip()).toBe(0.65);
  });
});
