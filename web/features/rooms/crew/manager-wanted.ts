import { ChangeDetectionStrategy, Component, inject } from '@angular/core';
import { Dialog } from 'primeng/dialog';
import { Manager } from '../../../shared/data/manager';
import { ManagerLock } from './manager-lock';

/** Asks for the manager's code where a phone was refused for want of it; stands once in the shell. */
@Component({
  selector: 'jl-manager-wanted',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [Dialog, ManagerLock],
  template: `
    <p-dialog
      header="This is the manager’s"
      closeAriaLabel="Close"
      [visible]="manager.wanted()"
      (visibleChange)="manager.wanted.set($event)"
      [modal]="true"
      [draggable]="false"
      [style]="{ width: '24rem', maxWidth: '94vw' }"
    >
      <jl-manager-lock why="Nothing was changed. With the code it can be done on this phone too: try again then." />
    </p-dialog>
  `,
})
export class ManagerWanted {
  protected readonly manager = inject(Manager);
}
