import type { HttpTestingController } from '@angular/common/http/testing';
import { TestBed } from '@angular/core/testing';
import type { CarDay } from '@core/venue/garage';
import { serveDay } from '../../testing/fake-day';
import { theDay } from '../../testing/two-drives';
import { DeviceService } from './device.service';
import { GarageService } from './garage.service';
import { Photos } from './photos';
import { Manager } from './manager';

const carDay = (date: string): CarDay => ({
  date,
  car: 'c1',
  laps: 10,
  km: 23,
  drivenS: 800,
  drives: 2,
  guests: 2,
  fuelL: 9,
  lap: null,
  services: [],
  faults: [],
  repaired: [],
});
const device = (more: Record<string, unknown> = {}) => ({
  id: 'loop',
  name: 'Start loop',
  kind: 'timing',
  state: 'heard',
  heardAt: '2027-05-22T08:00:00.000Z',
  accepted: 3,
  malformed: 0,
  unsigned: 0,
  replayed: 0,
  unusable: 0,
  lastRefusal: null,
  ...more,
});

describe('What screens read beside the day', () => {
  let http: HttpTestingController;
  let data: ReturnType<typeof theDay>;
  beforeEach(() => {
    data = theDay();
    http = serveDay(data);
  });
  afterEach(() => http.verify());
  const lost = (url: string) => http.expectOne(url).error(new ProgressEvent('error'));

  describe('of the garage', () => {
    const URL = '/api/days/2027-05-22/garage';

    it('are the days before this one; today is counted from the journal on screen', () => {
      const garage = TestBed.inject(GarageService);
      garage.refresh();
      const crew = { date: '2027-05-21', instructor: 'i1', laps: 9, drives: 2, heldS: 1800, thereS: 28_800 };
      http.expectOne(URL).flush({ days: [carDay('2027-05-21'), carDay('2027-05-22')], crew: [crew] });
      expect(garage.earlier().map(({ date }) => date)).toEqual(['2027-05-21']);
      expect(garage.crew().length).toBe(1);
    });

    it('stay what they were when they cannot be read again, and that is said until they can', () => {
      const garage = TestBed.inject(GarageService);
      garage.refresh();
      http.expectOne(URL).flush({ days: [carDay('2027-05-21')], crew: [] });
      garage.refresh();
      lost(URL);
      expect(garage.earlier().length).toBe(1);
      expect(garage.failure()).toBeTruthy();
      garage.refresh();
      http.expectOne(URL).flush({ days: [], crew: [] });
      expect(garage.failure()).toBeUndefined();
    });

    const PHOTO = '/api/photos/photo-0001';
    const picture = (width: number, height: number) => {
      const canvas = new OffscreenCanvas(width, height);
      canvas.getContext('2d')!.fillRect(0, 0, 1, 1);
      return canvas.convertToBlob();
    };
    /** The request, once the picture has been made smaller. */
    const sent = async () => {
      for (let tries = 0; tries < 200; tries++) {
        const [found] = http.match(PHOTO);
        if (found) return found;
        await new Promise((soon) => setTimeout(soon, 10));
      }
      throw new Error('no picture was sent');
    };

    it('have pictures that are made smaller before they are sent', async () => {
      const id = TestBed.inject(Photos).send(await picture(2800, 700), 'photo-0001');
      const request = await sent();
      const body = request.request.body as Blob;
      expect([request.request.method, body.type]).toEqual(['PUT', 'image/jpeg']);
      expect((await createImageBitmap(body)).width).toBe(1400);
      request.flush({ id: 'photo-0001' }, { status: 201, statusText: 'Created' });
      expect(await id).toBe('photo-0001');
    });

    it('have no picture where it is none or is refused: the fault is entered without', async () => {
      const photos = TestBed.inject(Photos);
      expect(await photos.send(new Blob(['no picture'], { type: 'image/png' }), 'photo-0001')).toBeUndefined();
      http.expectNone(PHOTO);
      const id = photos.send(await picture(20, 20), 'photo-0001');
      (await sent()).flush({}, { status: 413, statusText: 'Too large' });
      expect(await id).toBeUndefined();
    });
  });

  describe('of the devices', () => {
    it('are read at first and whenever one has spoken or fallen silent, and name who is silent', () => {
      const devices = TestBed.inject(DeviceService);
      http.expectOne('/api/devices').flush({ devices: [device()] });
      expect(devices.silent()).toEqual([]);
      data.devicesChanged.next();
      http
        .expectOne('/api/devices')
        .flush({ devices: [device({ state: 'silent' }), device({ id: 'other', state: 'never' })] });
      expect(devices.silent()).toEqual(['Start loop is silent']);
    });

    it('stay what they were while the server is away', () => {
      const devices = TestBed.inject(DeviceService);
      http.expectOne('/api/devices').flush({ devices: [device()] });
      devices.refresh();
      lost('/api/devices');
      expect(devices.devices().length).toBe(1);
    });
  });

  describe('of the manager', () => {
    const access = (set: boolean, open: boolean) => ({ set, open });

    it('is whether somebody may: the first code is set, later ones are entered', () => {
      const manager = TestBed.inject(Manager);
      manager.refresh();
      http.expectOne({ method: 'GET', url: '/api/manager' }).flush(access(false, false));
      manager.enter('larkmere').subscribe();
      http.expectOne({ method: 'PUT', url: '/api/manager/code' }).flush(access(true, true));
      expect(manager.access()).toEqual(access(true, true));
      manager.leave();
      http.expectOne('/api/manager/close').flush(access(true, false));
      manager.enter('larkmere').subscribe();
      const request = http.expectOne({ method: 'POST' });
      expect(request.request.body).toEqual({ code: 'larkmere' });
      request.flush(access(true, true));
      expect(manager.access()?.open).toBeTrue();
    });

    it('stays shut where the code is wrong, in the server’s words', () => {
      const manager = TestBed.inject(Manager);
      manager.refresh();
      http.expectOne('/api/manager').flush(access(true, false));
      const errors: string[] = [];
      manager.enter('guessed').subscribe({ error: ({ message }: Error) => errors.push(message) });
      const detail = 'This is not the code.';
      http
        .expectOne({ method: 'POST' })
        .flush({ type: 'about:blank', title: 'No', status: 403, detail }, { status: 403, statusText: 'Forbidden' });
      expect([errors, manager.access()?.open]).toEqual([[detail], false]);
    });
  });
});
