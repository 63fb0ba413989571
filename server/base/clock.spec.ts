import { demoClock, realClock } from './clock';

describe('The clock', () => {
  it('tells the time of the venue, through the change to summer time', () => {
    const at = (iso: string) =>
      realClock(
        () => 'Atlantic/Faroe',
        () => Date.parse(iso),
      ).read();
    expect(at('2027-03-28T00:59:59Z')).toEqual(jasmine.objectContaining({ date: '2027-03-28', secondsOfDay: 3599 }));
    expect(at('2027-03-28T01:00:00Z')).toEqual(jasmine.objectContaining({ date: '2027-03-28', secondsOfDay: 7200 }));
    expect(at('2027-07-01T23:30:00Z')).toEqual(jasmine.objectContaining({ date: '2027-07-02', secondsOfDay: 1800 }));
    expect(realClock(() => 'UTC').adjust({ rate: 0 })).toBe(false);
  });

  it('of the demo runs from its start, pauses, speeds up, runs past midnight and stops where the event day ends', () => {
    let nowMs = 0;
    const clock = demoClock({ date: '2027-05-22', secondsOfDay: 40_200 }, () => nowMs);
    const seconds = () => clock.read().secondsOfDay;
    nowMs = 10_000;
    expect(seconds()).toBe(40_210);
    clock.adjust({ rate: 60 });
    nowMs = 20_000;
    expect(seconds()).toBe(40_810);
    clock.adjust({ rate: 0 });
    nowMs = 90_000;
    expect(seconds()).toBe(40_810);
    clock.adjust({ secondsOfDay: 86_000, rate: 60 });
    nowMs = 100_000;
    expect(clock.read()).toEqual({ date: '2027-05-23', secondsOfDay: 200, rate: 60, adjustable: true });
    clock.adjust({ rate: 1 });
    expect(clock.read().date).toBe('2027-05-23');
    clock.adjust({ rate: 60 });
    nowMs = 900_000_000;
    expect([clock.read().date, seconds()]).toEqual(['2027-05-23', 6 * 3600]);
    clock.adjust({ secondsOfDay: 3600 });
    expect(clock.read().date).toBe('2027-05-23');
  });

  it('goes by the zone that is set now', () => {
    let zone = 'UTC';
    const clock = realClock(
      () => zone,
      () => Date.parse('2027-07-01T23:30:00Z'),
    );
    expect(clock.read().date).toBe('2027-07-01');
    zone = 'Asia/Tokyo';
    expect(clock.read()).toEqual(jasmine.objectContaining({ date: '2027-07-02', secondsOfDay: 30_600 }));
  });
});
