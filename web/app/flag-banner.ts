import { ChangeDetectionStrategy, Component, computed, effect, inject, signal } from '@angular/core';
import { clockMinute, spokenDuration } from '@core/values';
import { FLAG_WORDS } from '@words';
import { Router } from '@angular/router';
import { DayService } from '../shared/data/day.service';
import { Who } from '../shared/data/who';
import { soundAlarm } from './alarm';
import { Ask } from '../shared/frame/ask';
import { screenTitle } from '../shared/frame/screen-title';

/**
 * A flag, over everything on every screen: who has called it, when and why. An all-stop takes the whole screen until
 * somebody has seen it, then stays as a band. A screen without connection says that flags may not arrive.
 */
@Component({
  selector: 'jl-flag-banner',
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    @if (flag(); as f) {
      @if (f.flag === 'stop' && !seen()) {
        <div class="over" role="alertdialog" aria-label="All-stop">
          <div>
            @if (f.unsent) {
              <p class="radio">Not sent: use the radio</p>
            }
            <p class="huge">All-stop</p>
            <p>{{ words() }}</p>
            @if (late(); as text) {
              <p>
                <b>{{ text }}</b>
              </p>
            }
            <p>All cars slow down and stop where they are told. Nobody is let out.</p>
            @if (gotBy(); as text) {
              <p>{{ text }}</p>
            }
            <button type="button" (click)="seenAt.set(f.sinceS)">Seen</button>
          </div>
        </div>
      }
      <div [class]="'band ' + f.flag" role="alert">
        <b>{{ names[f.flag] }}</b>
        @if (f.unsent) {
          <b>Not sent: use the radio</b>
        }
        <span>{{ words() }}{{ f.flag === 'caution' ? ': no passing, nobody is let out' : '' }}</span>
        @if (late(); as text) {
          <b>{{ text }}</b>
        }
        @if (gotBy(); as text) {
          <span>{{ text }}</span>
        }
        @if (!atExit()) {
          <button type="button" (click)="goToExit()">Pit exit</button>
        } @else if (f.flag === 'stop' && !f.clearedBy) {
          <button type="button" (click)="clear()">Circuit is clear…</button>
        } @else {
          <button type="button" (click)="goGreen()">Back to green…</button>
        }
      </div>
    }
    @if (!data.connected() && data.view()) {
      <div class="band offline" role="status">
        <b>No connection</b>
        <span>Flags may not arrive: use the radio</span>
      </div>
    }
  `,
  styles: `
    :host {
      display: contents;
    }
    .band {
      display: flex;
      gap: 0.8rem;
      align-items: center;
      justify-content: center;
      flex-wrap: wrap;
      padding: 0.4rem 1rem;
      font-size: 15px;
      position: relative;
      z-index: var(--jl-z-banner);
    }
    b {
      font-weight: 780;
      font-stretch: 108%;
      font-size: 17px;
    }
    .stop,
    .over {
      background: var(--p-jl-kerb);
      color: var(--p-jl-on-kerb);
    }
    .caution {
      background: var(--p-jl-amber-soft);
      color: var(--p-jl-ink);
      border-bottom: 3px solid var(--p-jl-amber-mark);
    }
    .offline {
      background: var(--p-jl-sunk);
      border-bottom: 2px dashed var(--p-jl-amber-mark);
    }
    .over {
      position: fixed;
      inset: 0;
      z-index: var(--jl-z-alarm);
      display: grid;
      place-content: center;
      text-align: center;
      font-size: 20px;
      padding: 1rem;
    }
    .huge {
      margin: 0;
      font-size: clamp(56px, 14vw, 150px);
      font-weight: 800;
      font-stretch: 112%;
      line-height: 1;
    }
    button {
      min-height: 44px;
      padding: 0.3rem 1.2rem;
      border: 2px solid currentColor;
      border-radius: 8px;
      background: none;
      color: inherit;
      font-weight: 700;
      cursor: pointer;
    }
    .radio {
      margin: 0 0 0.6rem;
      font-size: clamp(30px, 8vw, 64px);
      font-weight: 800;
      line-height: 1.05;
    }
    .over button {
      min-height: 64px;
      min-width: 12rem;
      font-size: 22px;
    }
  `,
})
export class FlagBanner {
  private readonly router = inject(Router);
  private readonly who = inject(Who);
  private readonly ask = inject(Ask);
  protected readonly data = inject(DayService);
  protected readonly names = FLAG_WORDS;
  protected readonly seenAt = signal<number | undefined>(undefined);
  protected readonly flag = computed(() => {
    const flag = this.data.flag();
    return flag && flag.flag !== 'green' ? flag : undefined;
  });
  protected readonly seen = computed(() => this.seenAt() === this.flag()?.sinceS);
  protected readonly words = computed(() => {
    const flag = this.flag();
    if (!flag) return '';
    const cleared = flag.clearedBy ? `; clear, says ${flag.clearedBy}` : '';
    return `${flag.by}, since ${clockMinute(flag.sinceS)}${flag.reason ? `: ${flag.reason}` : ''}${cleared}`;
  });
  protected readonly late = computed(() => {
    const lateS = this.flag()?.lateS ?? 0;
    return lateS > LATE_S ? `Late: it was called ${spokenDuration(lateS)} before it got here.` : '';
  });
  /** Which screens have it, for whoever has called it. */
  protected readonly gotBy = computed(() => {
    const flag = this.flag();
    if (!flag || flag.by !== this.who.name() || flag.unsent || flag.screens === 0) return '';
    const names = flag.got
      .map(({ who, screen }) => `${who} (${screenTitle(screen, this.router.config) ?? 'another screen'})`)
      .join(', ');
    return `Shown on ${flag.got.length} of ${flag.screens} ${flag.screens === 1 ? 'screen' : 'screens'}${names && `: ${names}`}.`;
  });
  private readonly alarming = computed(() => this.flag()?.flag === 'stop' && !this.seen());

  constructor() {
    effect((ended) => {
      if (this.alarming()) ended(soundAlarm());
    });
  }

  protected atExit(): boolean {
    return this.router.url.startsWith('/pit-exit');
  }

  protected goToExit(): void {
    this.seenAt.set(this.flag()?.sinceS);
    void this.router.navigateByUrl('/pit-exit');
  }

  /** Lifting a flag stands far from calling it, and asks once. */
  protected async clear(): Promise<void> {
    const sure = await this.ask.whether(
      'Is the circuit clear?',
      'Somebody has looked: nothing and nobody stands on it.',
      'It is clear',
    );
    if (sure) this.data.callFlag({ kind: 'circuitCleared' });
  }

  protected async goGreen(): Promise<void> {
    const sure = await this.ask.whether('Back to green?', 'Cars may pass again, and may be let out.', 'Go green');
    if (sure) this.data.callFlag({ kind: 'flagCalled', flag: 'green' });
  }
}

/** What a call takes on its way, and two clocks may differ by. */
const LATE_S = 20;
