import { ChangeDetectionStrategy, Component } from '@angular/core';
import { IntroductionForm } from './introduction-form';

/** Class and sighting run: what guests go through before the first drive. */
@Component({
  selector: 'jl-introduction',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [IntroductionForm],
  template: `
    <div class="body">
      <p class="muted">What guests go through before their first drive.</p>
      <jl-introduction-form />
    </div>
  `,
  host: { class: 'screen' },
})
export class Introduction {}
