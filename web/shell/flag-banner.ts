import { ChangeDetectionStrategy, Component, computed, inject, signal } from '@angular/core';
import { clockMinute } from '@core/day';
import { FLAG_WORDS } from '@core/words';
import { Router } from '@angular/router';
import { DayService } from '../data/day.service';

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
            <p class="huge">All-stop</p>
            <p>{{ words() }}</p>
            <p>All cars slow down and stop where they are told. Nobody is let out.</p>
            <button type="button" (click)="seenAt.set(f.sinceS)">Seen</button>
          </div>
        </div>
      }
      <div [class]="'band ' + f.flag" role="alert">
        <b>{{ names[f.flag] }}</b>
        <span>{{ words() }}{{ f.flag === 'caution' ? ': no passing, nobody is let out' : '' }}</span>
        @if (!atExit()) {
          <button type="button" (click)="goToExit()">Pit exit</button>
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
    .over button {
      min-height: 64px;
      min-width: 12rem;
      font-size: 22px;
    }
  `,
})
export class FlagBanner {
  private readonly router = inject(Router);
  protected readonly data = inject(DayService);
  protected readonly names = FLAG_WORDS;
  protected readonly seenAt = signal<number | undefined>(undefined);
  protected readonly flag = computed(() => {
    const flag = this.data.live() ? this.data.state()?.flag : undefined;
    return flag && flag.flag !== 'green' ? flag : undefined;
  });
  protected readonly seen = computed(() => this.seenAt() === this.flag()?.sinceS);
  protected readonly words = computed(() => {
    const flag = this.flag();
    if (!flag) return '';
    const cleared = flag.clearedBy ? `; clear, says ${flag.clearedBy}` : '';
    return `${flag.by}, since ${clockMinute(flag.sinceS)}${flag.reason ? `: ${flag.reason}` : ''}${cleared}`;
  });

  protected atExit(): boolean {
    return this.router.url.startsWith('/pit-exit');
  }

  protected goToExit(): void {
    this.seenAt.set(this.flag()?.sinceS);
    void this.router.navigateByUrl('/pit-exit');
  }
}
