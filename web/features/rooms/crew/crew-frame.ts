import { ChangeDetectionStrategy, Component } from '@angular/core';
import { RouterLink, RouterLinkActive, RouterOutlet } from '@angular/router';
import { partsHere } from '../../../shared/frame/parts-here';
import { ManagerLock } from './manager-lock';

/** The room of the crew: who does what today, who is there when, in what words it teaches, and what comes of it. */
@Component({
  selector: 'jl-crew-frame',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [ManagerLock, RouterLink, RouterLinkActive, RouterOutlet],
  template: `
    <header>
      <h1>Crew</h1>
      <nav class="tabs" aria-label="Parts of the crew">
        @for (tab of tabs; track tab.path) {
          <a [routerLink]="tab.path" routerLinkActive="here" ariaCurrentWhenActive="page">{{ tab.label }}</a>
        }
      </nav>
      <span class="push"></span>
      <jl-manager-lock />
    </header>
    <router-outlet />
  `,
  host: { class: 'screen' },
})
export class CrewFrame {
  protected readonly tabs = partsHere();
}
