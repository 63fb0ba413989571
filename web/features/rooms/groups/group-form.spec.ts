import { groupFields, type GroupFields, PRESETS, type ProgrammeKind } from '@core/programmes';
import { groupFormFields, groupSchema, groupTyped, newGroup } from './group-form';

const KINDS = Object.keys(PRESETS) as ProgrammeKind[];
const filled = (kind: ProgrammeKind): GroupFields =>
  groupSchema().parse({ ...newGroup(kind, 'A group', 'circuit'), members: ['g1', 'g2'], cars: ['c1', 'c2'] });
const read = (typed: unknown, before?: GroupFields) => groupSchema(before).safeParse(typed);

describe('The form of a group', () => {
  it('gives back what it was filled with, whatever the kind', () => {
    for (const kind of KINDS) expect(read(groupTyped(filled(kind))).data).toEqual(filled(kind));
  });

  it('begins as the venue has it, where it has an own one', () => {
    const own = { ...PRESETS.follow, setUpS: 900, roles: [{ role: 'lead' as const, count: 2 }] };
    const begun = newGroup('follow', 'A group', 'circuit', [own]);
    expect([begun['setUpS'], (begun['roles'] as Record<string, number>)['lead']]).toEqual([900, 2]);
    expect(newGroup('throttle', 'A group', 'oval', [own])['setUpS']).toBe(PRESETS.throttle.setUpS);
  });

  it('reads the distances of a train as people write them, and takes the ordinary ones for the rest', () => {
    const train = groupTyped(filled('follow'));
    const withSpacing = (spacing: object) =>
      read({ ...train, programme: { ...(train['programme'] as object), spacing } });
    const { data } = withSpacing({ start: '8–10', practised: '', coolDown: '' });
    expect(data?.programme).toEqual(
      jasmine.objectContaining({ spacing: { start: [8, 10], practised: [2, 3], coolDown: [5, 6] } }),
    );
    expect(read(groupTyped(data!)).data).toEqual(data);
    expect(withSpacing({ start: '', practised: '' }).data?.programme).toEqual(filled('follow').programme);
    expect(withSpacing({ start: 'near' }).error?.issues[0]?.path).toEqual(['programme', 'spacing', 'start']);
  });

  it('keeps who was named for a role', () => {
    const fields: GroupFields = { ...filled('follow'), roles: [{ role: 'lead', count: 1, people: ['i2'] }] };
    expect(read(groupTyped(fields), fields).data?.roles).toEqual(fields.roles);
  });

  it('reads steps and stations as people write them, and says which line it cannot read', () => {
    const oval = groupTyped(filled('throttle'));
    const steps = ['50%: 2 laps of 42 s', '100 3 31.5'];
    const typed = { ...oval, programme: { ...(oval['programme'] as object), steps } };
    expect(read(typed).data?.programme).toEqual(
      jasmine.objectContaining({
        steps: [
          { percent: 50, laps: 2, lapS: 42 },
          { percent: 100, laps: 3, lapS: 31.5 },
        ],
      }),
    );
    const wrong = { ...oval, programme: { ...(oval['programme'] as object), steps: ['fast please'] } };
    expect(read(wrong).error?.issues[0]?.path).toEqual(['programme', 'steps', 0]);
  });

  it('reads what is asked at a corner, and the aids of a station', () => {
    const train = groupTyped(filled('follow'));
    const asks = ['Winch: coast', 'Ramp: brake lightly from lap 3'];
    const typed = { ...train, programme: { ...(train['programme'] as object), asks } };
    const { data } = read(typed);
    expect(data!.programme).toEqual(
      jasmine.objectContaining({
        asks: [
          { corner: 'Winch', fromLap: 1, step: 'coast' },
          { corner: 'Ramp', fromLap: 3, step: 'lightBrake' },
        ],
      }),
    );
    expect((groupTyped(data!)['programme'] as { asks: string[] }).asks[1]).toBe('Ramp: brake lightly from lap 3');
    const pan = groupTyped(filled('lowGrip'));
    const stations = ['Slalom: 60 s (slalom; aids part)'];
    const { data: wet } = read({ ...pan, programme: { ...(pan['programme'] as object), stations } });
    expect((wet!.programme as { stations: unknown[] }).stations).toEqual([
      { name: 'Slalom', runS: 60, kind: 'slalom', aids: 'part' },
    ]);
  });

  it('of a new group lacks guests and cars, and says so', () => {
    for (const kind of KINDS) {
      const { error } = read(newGroup(kind, 'A group', 'circuit'));
      expect(error?.issues.map(({ path }) => path.join('.'))).toEqual(['members', 'cars']);
    }
  });

  it('has a field for all that a new group needs, and begins with what the schema takes', () => {
    for (const kind of KINDS) {
      const paths = groupFormFields(kind, { guests: [], cars: [], surfaces: [] }).map(({ path }) => path);
      expect(paths).toEqual(jasmine.arrayContaining(['name', 'surface', 'members', 'cars', 'roles.lead', 'setUpS']));
      expect(groupFields.safeParse(filled(kind)).success || kind).toBeTruthy();
    }
  });
});
