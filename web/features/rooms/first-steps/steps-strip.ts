import { ChangeDetectionStrategy, Component, computed, inject } from '@angular/core';
import { RouterLink } from '@angular/router';
import { STEP_WORDS } from '@words/en/first-steps';
import { StepsService } from './steps.service';

/** In the place of the ribbon until the day has a plan: the steps to it, and what is missing. */
@Component({
  selector: 'jl-steps-strip',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [RouterLink],
  template: `
    <nav aria-label="First steps">
      <ol>
        @for (step of steps(); track step.name) {
          <li [class]="step.state">
            <a routerLink="/start" [fragment]="step.name" [title]="step.hint">
              <span aria-hidden="true">{{ step.state === 'done' ? '✓' : step.place }}</span>
              {{ step.title }}<span class="visually-hidden">, {{ step.said }}</span>
            </a>
          </li>
        }
      </ol>
    </nav>
  `,
  styles: `
    :host {
      display: block;
      background: var(--p-jl-panel);
      border-bottom: 1px solid var(--p-jl-line);
      padding: 0.55rem 12px;
      overflow-x: auto;
    }
    ol {
      display: flex;
      gap: 0.5rem;
      margin: 0;
      padding: 0;
      list-style: none;
    }
    a {
      display: flex;
      gap: 0.45rem;
      align-items: center;
      min-height: 36px;
      padding: 0 0.7rem 0 0.35rem;
      border: 1px solid var(--p-jl-line);
      border-radius: 18px;
      color: inherit;
      font-size: 13.5px;
      font-weight: 600;
      text-decoration: none;
      white-space: nowrap;
    }
    a > span:first-child {
      display: grid;
      place-items: center;
      width: 24px;
      height: 24px;
      border-radius: 50%;
      background: var(--p-jl-sunk);
      font-size: 12.5px;
    }
    .open a {
      border-color: var(--p-jl-amber-mark);
    }
    .open a > span:first-child {
      background: var(--p-jl-amber-soft);
    }
    .done a,
    .putOff a {
      color: var(--p-jl-muted);
      font-weight: 500;
    }
  `,
})
export class StepsStrip {
  private readonly service = inject(StepsService);
  protected readonly steps = computed(() =>
    this.service.steps().map(({ name, state, missing }, place) => ({
      name,
      state,
      place: place + 1,
      title: STEP_WORDS[name].title,
      said: state === 'done' ? 'done' : state === 'putOff' ? 'later' : 'to do',
      hint: missing.map(({ words }) => words).join(' ') || STEP_WORDS[name].why,
    })),
  );
}
