import { computed, effect, inject, Injectable } from '@angular/core';
import { takeUntilDestroyed, toObservable } from '@angular/core/rxjs-interop';
import { NavigationEnd, Router } from '@angular/router';
import { contract, type PhoneReport } from '@core/api';
import {
  catchError,
  combineLatest,
  debounceTime,
  EMPTY,
  filter,
  firstValueFrom,
  map,
  race,
  startWith,
  switchMap,
  take,
  takeWhile,
  timer,
} from 'rxjs';
import { Api } from '../../../shared/data/api';
import { DayService } from '../../../shared/data/day.service';
import { InstructorChoice } from '../../../shared/data/instructor-choice';
import { Outbox } from '../../../shared/data/outbox';
import { KeptAside } from '../../../shared/data/kept-aside';
import { DeviceStorage } from '../../../shared/data/device-storage';
import { turnedAway } from '../../../shared/data/turned-away';
import { Who } from '../../../shared/data/who';
import { toBeAdded } from '../../../shared/data/to-be-added';

const EVERY_MS = 30_000;
const SETTLED_MS = 2000;
/** What could not be handed over by then is not going to be. */
const LEAVING_MS = 30_000;

/** The name that the build gave to the application's first script; nothing while it is developed. */
function versionHere(): string {
  const script = document.querySelector<HTMLScriptElement>('script[src*="main-"]');
  return /main-(\w+)\.js/.exec(script?.src ?? '')?.[1] ?? '';
}

/**
 * Says to the server whose this phone is, what it shows and what waits on it; and becomes somebody else's where the server
 * says so. A browser that was never added has nothing to say and stops after the first time.
 */
@Injectable({ providedIn: 'root' })
export class ThisPhone {
  private readonly api = inject(Api);
  private readonly data = inject(DayService);
  private readonly who = inject(Who);
  private readonly outbox = inject(Outbox);
  private readonly choice = inject(InstructorChoice);
  private readonly router = inject(Router);
  private readonly storage = inject(DeviceStorage);
  private readonly aside = inject(KeptAside);
  private readonly waiting = computed(() => this.outbox.waiting().length + this.outbox.refused().length);
  private readonly nothingWaits = toObservable(computed(() => this.outbox.waiting().length === 0));
  /** Who is to have it, until the crew of the day is known. */
  private handedTo: string | undefined;

  constructor() {
    const screen = this.router.events.pipe(
      filter((event) => event instanceof NavigationEnd),
      map(({ urlAfterRedirects }) => urlAfterRedirects.split('#')[0]!),
      startWith(this.router.url),
    );
    // A connection that is lost is asked after at once: the phone may have been put out.
    const connected = toObservable(this.data.connected);
    combineLatest([
      toObservable(this.who.name),
      toObservable(this.waiting),
      screen,
      toObservable(this.aside.count),
      connected,
    ])
      .pipe(
        debounceTime(SETTLED_MS),
        map(([who, waiting, at, aside]): PhoneReport => ({
          who,
          waiting,
          aside,
          screen: at.slice(0, 200),
          version: versionHere(),
        })),
        switchMap((report) => timer(0, EVERY_MS).pipe(map(() => ({ ...report, nowMs: Date.now() })))),
        switchMap((body) => this.api.call(contract.reportPhone, { body }).pipe(catchError(() => EMPTY))),
        takeWhile(({ name }) => name !== null),
        takeUntilDestroyed(),
      )
      .subscribe(({ handedTo }) => {
        if (handedTo !== null) this.handTo(handedTo);
      });
    const putOut = turnedAway.pipe(filter((why) => why === 'phonePutOut'));
    putOut.pipe(take(1), takeUntilDestroyed()).subscribe(() => void this.leave());
    effect(() => {
      if (this.handedTo !== undefined && this.choice.crew().length > 0) this.choose(this.handedTo);
    });
  }

  /** Hands over what waits here, then forgets everything: days, names, and the application itself. */
  private async leave(): Promise<void> {
    await this.outbox.ready;
    this.outbox.flush();
    await firstValueFrom(
      race(this.nothingWaits.pipe(filter((nothing) => nothing)), timer(LEAVING_MS)).pipe(
        switchMap(() => this.api.call(contract.leavePhones)),
        catchError(() => [undefined]),
      ),
    );
    await this.storage.wipe();
    localStorage.clear();
    sessionStorage.clear();
    for (const name of (await globalThis.caches?.keys()) ?? []) await caches.delete(name);
    toBeAdded();
  }

  private handTo(name: string): void {
    this.who.set(name);
    this.handedTo = name;
    if (this.choice.crew().length > 0) this.choose(name);
    this.data.say(`This phone is ${name}’s now.`);
  }

  /** The counter is the instructor's of this name; of no instructor otherwise. */
  private choose(name: string): void {
    this.handedTo = undefined;
    const instructor = this.choice.crew().find((one) => one.name === name);
    if (instructor) this.choice.choose(instructor.id);
    else this.choice.leave();
  }
}
