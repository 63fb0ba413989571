import { ChangeDetectionStrategy, Component, computed, inject, signal } from '@angular/core';
import { toSignal } from '@angular/core/rxjs-interop';
import { Router, type Routes } from '@angular/router';
import { contract, type NetworkView, type Phone } from '@core/api';
import { formatDistanceToNowStrict, parseISO } from 'date-fns';
import { Button } from 'primeng/button';
import { Dialog } from 'primeng/dialog';
import { TableModule } from 'primeng/table';
import { timer, type Observable } from 'rxjs';
import { Api } from '../../../shared/data/api';
import { DayService } from '../../../shared/data/day.service';
import { InstructorChoice } from '../../../shared/data/instructor-choice';
import { Ask } from '../../../shared/frame/ask';
import { screenTitle } from '../../../shared/frame/screen-title';
import { AddPhone, whyNone } from './add-phone';
import { PhonesService } from './phones.service';

/** A phone reports every half minute; one that is silent for so long is away. */
const AWAY_MS = 90_000;
const LOOK_AGAIN_MS = 15_000;

/** Which phone is whose and where, how fresh it is and what waits on it; added, named, handed over and put out. */
@Component({
  selector: 'jl-phone-list',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [AddPhone, Button, Dialog, TableModule],
  templateUrl: './phone-list.html',
  styles: `
    header {
      display: flex;
      align-items: center;
      gap: 1rem;
    }
    p {
      margin: 0.4rem 0;
    }
    .actions {
      white-space: nowrap;
      text-align: right;
    }
    .people {
      display: flex;
      flex-wrap: wrap;
      gap: 0.4rem;
    }
  `,
})
export class PhoneList {
  private readonly api = inject(Api);
  private readonly data = inject(DayService);
  private readonly ask = inject(Ask);
  private readonly phones = inject(PhonesService);
  private readonly router = inject(Router);
  private readonly again = toSignal(timer(0, LOOK_AGAIN_MS));
  private readonly crew = inject(InstructorChoice).crew;
  protected readonly isRead = this.phones.isRead;
  protected readonly whyNone = whyNone;
  protected readonly adding = signal(false);
  protected readonly handing = signal<Phone | undefined>(undefined);
  protected readonly network = signal<NetworkView | undefined>(undefined);
  protected readonly people = computed(() => this.crew().map(({ name }) => name));
  protected readonly rows = computed(() => {
    this.again();
    const version = this.phones.version();
    return this.phones.phones().map((phone) => ({ ...phone, ...told(phone, version, this.router.config) }));
  });

  constructor() {
    this.phones.refresh();
    this.api
      .call(contract.readNetwork)
      .subscribe({ next: (network) => this.network.set(network), error: () => undefined });
  }

  protected async rename({ id, name: old }: Phone): Promise<void> {
    const name = await this.ask.for('What people call this phone', 'Name', old);
    if (name !== undefined) this.done(this.api.call(contract.changePhone, { params: { id }, body: { name } }));
  }

  protected handOver(phone: Phone): void {
    this.handing.set(phone);
  }

  protected handTo(handTo: string): void {
    const { id } = this.handing()!;
    this.handing.set(undefined);
    this.done(this.api.call(contract.changePhone, { params: { id }, body: { handTo } }));
  }

  protected async handToOther(): Promise<void> {
    const phone = this.handing();
    this.handing.set(undefined);
    const name = await this.ask.for('Whose is it from now on?', 'Name or station');
    if (name === undefined) return;
    this.handing.set(phone);
    this.handTo(name);
  }

  protected async putOut({ id, name, report }: Phone): Promise<void> {
    const waits =
      report && report.waiting > 0 ? ` ${waitsWords(report.waiting)} on it: that is taken when it is heard next.` : '';
    const words = `It reads and changes nothing from now on, and forgets what it holds as soon as it is heard.${waits}`;
    if (!(await this.ask.whether(`Put out ${name}?`, words, 'Put out'))) return;
    this.done(this.api.call(contract.removePhone, { params: { id } }));
  }

  private done(call: Observable<unknown>): void {
    call.subscribe({
      next: () => this.phones.refresh(),
      error: (error: Error) => this.data.refuse(error.message),
    });
  }
}

function told({ seenAt, report, handedTo }: Phone, version: string, routes: Routes) {
  const away = seenAt === null || Date.now() - Date.parse(seenAt) > AWAY_MS;
  const whose = report?.who ?? '';
  const older = Boolean(report && version && report.version !== version);
  return {
    away,
    older,
    whose: handedTo === null ? whose : `${handedTo}’s as soon as it is heard${whose && ` (now ${whose})`}`,
    shows: report ? (screenTitle(report.screen, routes) ?? report.screen) : '',
    seen: seenAt === null ? 'never' : away ? `${formatDistanceToNowStrict(parseISO(seenAt))} ago` : 'now',
    waiting: report?.waiting ?? 0,
    waits: report ? (report.waiting > 0 ? waitsWords(report.waiting) : 'nothing') : '',
    version: report ? (older ? 'an older one' : 'this one') : '',
  };
}

const waitsWords = (count: number): string => (count === 1 ? '1 entry waits' : `${count} entries wait`);
