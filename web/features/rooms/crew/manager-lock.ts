import { ChangeDetectionStrategy, Component, computed, inject, input, signal } from '@angular/core';
import { FormsModule } from '@angular/forms';
import { managerCode } from '@core/api';
import { faultsOf } from '@core/values';
import { Button } from 'primeng/button';
import { InputText } from 'primeng/inputtext';
import { Manager } from '../../../shared/data/manager';

/** The manager's code: asked for where something is the manager's alone, and taken away again with one press. */
@Component({
  selector: 'jl-manager-lock',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [Button, FormsModule, InputText],
  templateUrl: './manager-lock.html',
  styles: `
    :host {
      display: flex;
      align-items: center;
      gap: 0.5rem;
    }
    form {
      display: flex;
      flex-wrap: wrap;
      align-items: center;
      gap: 0.5rem;
    }
    input {
      width: 11rem;
    }
  `,
})
export class ManagerLock {
  protected readonly manager = inject(Manager);
  /** What is behind it, in a sentence; the field is shown at once where given. */
  readonly why = input('');
  protected readonly asking = signal(false);
  protected readonly code = signal('');
  protected readonly fault = signal('');
  protected readonly id = `manager-code-${Math.trunc(performance.now() * 1000)}`;
  protected readonly label = computed(() => {
    const what = this.manager.access()?.set ? "Manager's code" : 'No code yet: choose one of 6 characters or more';
    return this.why() ? `${this.why()} ${what}` : what;
  });

  constructor() {
    if (!this.manager.access()) this.manager.refresh();
  }

  protected enter(event: Event): void {
    event.preventDefault();
    const checked = managerCode.safeParse({ code: this.code() });
    if (!checked.success) return this.fault.set(`${faultsOf(checked.error)[0]!.message}.`);
    this.manager.enter(this.code()).subscribe({
      next: () => {
        this.code.set('');
        this.fault.set('');
        this.asking.set(false);
      },
      error: (error: Error) => this.fault.set(error.message),
    });
  }
}
