import { ChangeDetectionStrategy, Component, computed, inject, signal } from '@angular/core';
import { toSignal } from '@angular/core/rxjs-interop';
import { NavigationEnd, Router, RouterOutlet } from '@angular/router';
import { clockMinute, DAY_ENDS_S, wallClock } from '@core/values';
import { conditionAt, nextCondition } from '@core/day';
import { CREW_STATIONS } from '@core/live/practice';
import { PLAIN_WORDS } from '../shared/data/screen-words';
import { Toast } from 'primeng/toast';
import { filter, map } from 'rxjs';
import { DayService } from '../shared/data/day.service';
import { KeptAside } from '../shared/data/kept-aside';
import { Manager } from '../shared/data/manager';
import { Outbox } from '../shared/data/outbox';
import { PracticeService } from '../shared/data/practice.service';
import { VenueClock } from '../shared/data/venue-clock';
import { Who } from '../shared/data/who';
import { AppUpdate } from './app-update';
import { Ask } from '../shared/frame/ask';
import { AskDialog } from './ask-dialog';
import { DayPicker } from './day-picker';
import { DataIssues } from './data-issues';
import { DemoClock } from './demo-clock';
import { ManagerWanted } from '../features/rooms/crew/manager-wanted';
import { FlagBanner } from './flag-banner';
import { KeptAsideNote } from './kept-aside-note';
import { onKeys } from '../shared/frame/keys';
import { ThisPhone } from '../features/rooms/phones/this-phone';
import { Palette } from './palette';
import { PracticeCrew } from './practice-crew';
import { PracticeStrip } from './practice-strip';
import { StepsStrip } from '../features/rooms/first-steps/steps-strip';
import { Ribbon } from './ribbon';
import { type ActsOf, type FRAME_KEYS } from '../shared/frame/screen-keys';
import { PLACES, type Screen } from './screens';
import { Stations } from './stations';
import { Stops } from './stops';
import { ThemeChoice } from '../shared/frame/theme-choice';

/** The frame of every screen: header, ribbon, stations, palette, and the keys that work everywhere. */
@Component({
  selector: 'jl-root',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [
    AskDialog,
    RouterOutlet,
    Toast,
    DayPicker,
    DataIssues,
    DemoClock,
    FlagBanner,
    KeptAsideNote,
    ManagerWanted,
    Palette,
    PracticeCrew,
    PracticeStrip,
    Ribbon,
    Stations,
    StepsStrip,
    Stops,
  ],
  templateUrl: './app.html',
  styleUrl: './app.scss',
})
export class App {
  private readonly router = inject(Router);
  protected readonly ask = inject(Ask);
  protected readonly aside = inject(KeptAside);
  protected readonly manager = inject(Manager);
  protected readonly data = inject(DayService);
  protected readonly clock = inject(VenueClock);
  protected readonly who = inject(Who);
  protected readonly outbox = inject(Outbox);
  protected readonly theme = inject(ThemeChoice);
  protected readonly paletteOpen = signal(false);
  protected readonly update = inject(AppUpdate);
  protected readonly daysOpen = signal(false);
  protected readonly practice = inject(PracticeService);
  protected readonly crewOpen = signal(false);
  /** How many stations the simulated crew has, of how many. */
  protected readonly crewWords = computed(() => {
    const people = new Set([...this.practice.status()!.off, ...this.practice.taken().map(({ post }) => post.station)]);
    return people.size > 0 ? `Crew: ${CREW_STATIONS.length - people.size} of ${CREW_STATIONS.length}` : 'Crew';
  });
  protected readonly menuOpen = signal(false);
  private readonly screen = toSignal(
    this.router.events.pipe(
      filter((event) => event instanceof NavigationEnd),
      map(
        () =>
          this.router.routerState.snapshot.root.firstChild?.data as
            Pick<Screen, 'frame' | 'stops' | 'places'> | undefined,
      ),
    ),
  );
  /** How much of the frame a screen leaves room for: a desk all of it, a tablet a narrow one, a phone none. */
  protected readonly frame = computed(() => this.screen()?.frame ?? 'desk');
  protected readonly stops = computed(() => this.screen()?.stops ?? false);
  /** What is of one guest has no place in the navigation, and no line of the simulated crew. */
  protected readonly ofOneGuest = computed(() => this.screen()?.places.length === 0);
  /** How many entries wait on this device, and since when. */
  protected readonly waitingWords = computed(() => {
    const waiting = this.outbox.waiting().length;
    const isKept = this.outbox.keeps();
    const kept = waiting > 0 ? `, ${waiting} ${isKept ? 'kept here' : 'not kept on this device'}` : '';
    const [lostMs, sinceMs] = [this.data.lostMs(), this.outbox.sinceMs()];
    if (!this.data.connected()) return `Offline since ${timeOf(lostMs ?? Date.now())}${kept}`;
    // Looked at again with each second of the venue's clock.
    this.data.nowS();
    const late = sinceMs !== undefined && Date.now() - sinceMs > QUIET_MS;
    if (late) return `Sending${kept} since ${timeOf(sinceMs)}`;
    return isKept ? undefined : 'Not kept on this device';
  });
  protected readonly refusedWords = computed(() =>
    this.outbox.refused().map(({ entry, reason }) => ({
      id: entry.id,
      what: `${clockMinute(entry.at)} ${PLAIN_WORDS.entry(entry)}:`,
      reason: this.named(reason),
    })),
  );

  protected readonly dayText = computed(() => {
    const date = this.data.date();
    return date ? PLAIN_WORDS.dateWithYear(date) : '';
  });
  protected readonly time = computed(() => {
    const text = wallClock(this.clock.nowS());
    return text.length === 5 ? `${text}:00` : text;
  });
  protected readonly shown = computed(() => clockMinute(this.data.shownS()));
  protected readonly condition = computed(() => {
    const day = this.data.day();
    if (!day) return undefined;
    const shownS = this.data.shownS();
    const next = nextCondition(day, shownS);
    const then = next ? `, ${next.name} from ${clockMinute(next.sinceS!)}` : '';
    return `${day.circuit.name}, ${conditionAt(day, shownS).name}${then}`;
  });
  /** Another day than the clock's: it can be prepared or looked at. */
  protected readonly otherDay = computed(() => {
    const [date, today] = [this.data.date(), this.clock.date()];
    if (!date || !today || date === today) return undefined;
    if (date < today && this.data.nowS() < DAY_ENDS_S) return 'past midnight';
    return date < today ? 'past day' : 'day to come';
  });

  constructor() {
    const openings = PLACES.map(({ key, path, fragment }) => {
      const open = () => this.router.navigate([path], fragment ? { fragment } : {});
      return [key, open] as const;
    });
    const { 'Ctrl K': find, ...others } = {
      'Ctrl K': () => this.paletteOpen.set(true),
      n: () => this.data.showTime(undefined),
      d: () => this.theme.toggle(),
    } satisfies ActsOf<typeof FRAME_KEYS>;
    onKeys({ ...others, ...Object.fromEntries(openings) });
    onKeys({ 'Ctrl K': find }, { whileTyping: true });
    inject(ThisPhone);
    // The address of a guest's results names its day.
    this.data.start(new URLSearchParams(location.search).get('day') ?? undefined);
  }

  /** A refusal of the server's with the names of guests whom only this device knows. */
  private named(reason: string): string {
    const known = (this.data.view()?.bookings ?? []).map(({ id, fields }) => [id, fields.name] as const);
    return [...known, ...this.aside.names()].reduce((text, [id, name]) => text.replaceAll(`"${id}"`, name), reason);
  }

  protected async rename(): Promise<void> {
    const name = await this.ask.for('Who works at this device?', 'Name or station', this.who.name());
    if (name !== undefined) this.who.set(name);
  }
}

/** Sending takes a moment; only what waits longer is worth a word. */
const QUIET_MS = 1500;

const TIME = new Intl.DateTimeFormat('en-GB', { hour: '2-digit', minute: '2-digit' });
/** The device's own time, as people read it. */
const timeOf = (deviceMs: number): string => TIME.format(deviceMs);
