import { routes } from './app.routes';
import { FRAME_KEYS, STOP_KEY } from '../shared/frame/screen-keys';
import { PLACES, SCREENS } from './screens';

describe('The screens', () => {
  it('have an address and a key each that no other has', () => {
    const paths = SCREENS.map(({ path }) => path);
    expect(new Set(paths).size).toBe(paths.length);
    const keys = PLACES.map(({ key }) => key);
    expect(new Set(keys).size).toBe(keys.length);
    expect(keys.filter((key) => key in FRAME_KEYS)).toEqual([]);
  });

  it('take no key for themselves that leads elsewhere', () => {
    const everywhere = new Set([...PLACES.map(({ key }) => key), ...Object.keys(FRAME_KEYS)]);
    for (const { path, keys = {} } of SCREENS) {
      expect(Object.keys(keys).filter((key) => everywhere.has(key)))
        .withContext(path)
        .toEqual([]);
    }
  });

  it('leave the key that stops all to the stops', () => {
    const used = [...PLACES.map(({ key }) => key), ...SCREENS.flatMap(({ keys = {} }) => Object.keys(keys))];
    expect([...used, ...Object.keys(FRAME_KEYS)]).not.toContain(STOP_KEY);
  });

  it('can be looked at: each has an address of the demo that leads to it', () => {
    for (const { path, demo } of SCREENS) {
      expect(demo).toMatch(new RegExp(`^/${path.replace(':id', '[\\w-]+')}$`));
    }
  });

  it('load when they are first opened, each of its parts too', async () => {
    for (const { load, parts = [] } of SCREENS) {
      for (const open of [load, ...parts.map((part) => part.load)]) {
        const component = await open();
        expect('ɵcmp' in component).toBe(true);
      }
    }
  });

  it('are reached by what is typed: a part by its own address, the first one where none is named', () => {
    const crew = routes.find(({ path }) => path === 'crew')!;
    expect(crew.children!.map(({ path }) => path)).toEqual(['', 'today', 'roster', 'faults', 'teaching']);
    expect(crew.children![0]!.redirectTo).toBe('today');
    expect(routes.at(-1)).toEqual({ path: '**', redirectTo: 'board' });
  });
});
