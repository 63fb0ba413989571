import { ChangeDetectionStrategy, Component } from '@angular/core';
import { RouterLink, RouterLinkActive, RouterOutlet } from '@angular/router';
import { partsHere } from '../../../shared/frame/parts-here';

/** The venue's own ways: its rules, and what guests go through before they drive. */
@Component({
  selector: 'jl-rules-frame',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [RouterLink, RouterLinkActive, RouterOutlet],
  template: `
    <header>
      <h1>Rules</h1>
      <nav class="tabs" aria-label="Parts of the rules">
        @for (tab of tabs; track tab.path) {
          <a [routerLink]="tab.path" routerLinkActive="here" ariaCurrentWhenActive="page">{{ tab.label }}</a>
        }
      </nav>
    </header>
    <router-outlet />
  `,
  host: { class: 'screen' },
})
export class RulesFrame {
  protected readonly tabs = partsHere();
}
