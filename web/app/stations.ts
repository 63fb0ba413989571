import { ChangeDetectionStrategy, Component, computed, inject } from '@angular/core';
import { RouterLink, RouterLinkActive } from '@angular/router';
import { stationCounts } from '@core/journal';
import { DayService } from '../shared/data/day.service';
import { PLACES, type Place } from './screens';

const placesOf = (group: Place['of']) => PLACES.filter(({ of }) => of === group);

/** The guest's walk through the venue with how many are where, and below it the manager's rooms. */
@Component({
  selector: 'jl-stations',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [RouterLink, RouterLinkActive],
  templateUrl: './stations.html',
  styles: `
    :host {
      display: flex;
      flex-direction: column;
      border-right: 1px solid var(--p-jl-line);
      overflow-y: auto;
    }
    .phone {
      display: grid;
      grid-template-columns: 1fr auto;
      border-top: 1px solid var(--p-jl-line);
    }
    ol,
    ul {
      list-style: none;
      margin: 0;
      padding: 0.6rem 0;
    }
    ul {
      border-top: 1px solid var(--p-jl-line);
    }
    a {
      display: flex;
      align-items: center;
      gap: 0.7rem;
      padding: 0.35rem 0.9rem 0.35rem 1.1rem;
      min-height: 31px;
      color: var(--p-jl-ink);
      text-decoration: none;
      font-weight: 560;
      position: relative;
    }
    ul a {
      padding-left: 2.7rem;
    }
    .phone a {
      padding: 0.35rem 0.5rem;
    }
    .phone li:nth-child(odd) a {
      padding-left: 1.1rem;
    }
    a:hover {
      background: var(--p-jl-sunk);
    }
    a.here {
      background: var(--p-jl-bar);
      color: var(--p-jl-on-bar);
    }
    a:focus-visible {
      outline-offset: -3px;
    }
    b {
      margin-left: auto;
      font-weight: 760;
    }
    .stop-mark {
      width: 12px;
      height: 12px;
      border-radius: 50%;
      border: 2px solid var(--p-jl-lake);
      background: var(--p-jl-paper);
      z-index: var(--jl-z-raised);
    }
    .stop-mark.filled {
      background: var(--p-jl-lake);
    }
    ol li:not(:last-child) a::before {
      content: '';
      position: absolute;
      left: calc(1.1rem + 5px);
      top: 50%;
      height: 100%;
      border-left: 2px solid var(--p-jl-lake);
    }
    p {
      margin: auto 0 0;
      padding: 0.8rem 1rem;
      font-size: 12px;
    }
    @media (max-width: 900px) {
      :host {
        border-right: 0;
        border-bottom: 1px solid var(--p-jl-line);
      }
      nav {
        display: flex;
        overflow-x: auto;
      }
      ol,
      ul {
        display: flex;
        padding: 0;
        border: 0;
      }
      a,
      ul a {
        padding: 0.4rem 0.7rem;
        min-height: 44px;
        white-space: nowrap;
        gap: 0.4rem;
      }
      ol li:not(:last-child) a::before {
        display: none;
      }
      p {
        display: none;
      }
    }
  `,
})
export class Stations {
  private readonly data = inject(DayService);
  protected readonly stations = placesOf('stations');
  protected readonly rooms = placesOf('rooms');
  protected readonly phone = placesOf('phone');
  /** Two stations share a screen; the fragment tells them apart. */
  protected readonly exact = {
    paths: 'exact',
    queryParams: 'ignored',
    fragment: 'exact',
    matrixParams: 'ignored',
  } as const;
  private readonly counts = computed(() => {
    const state = this.data.state();
    return state && stationCounts(state);
  });

  protected count(station: Place['station']): number {
    return (station && this.counts()?.[station]) ?? 0;
  }
}
