import { ChangeDetectionStrategy, Component, computed, inject, signal } from '@angular/core';
import { FormsModule } from '@angular/forms';
import { contract, type Device } from '@core/api';
import { formatDistanceToNowStrict, parseISO } from 'date-fns';
import { Button } from 'primeng/button';
import { InputText } from 'primeng/inputtext';
import { SelectButton } from 'primeng/selectbutton';
import { TableModule } from 'primeng/table';
import { Api } from '../data/api';
import { DayService } from '../data/day.service';
import { DeviceService } from '../data/device.service';

const STATE_WORDS: Record<Device['state'], string> = { never: 'never heard', heard: 'heard', silent: 'silent' };

/** The manager's list of timing loops and trackers: which are heard, and what was refused of what they sent. */
@Component({
  selector: 'jl-devices',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [Button, FormsModule, InputText, SelectButton, TableModule],
  template: `
    <header>
      <h1>Devices</h1>
      <span class="muted">Timing loops and trackers. The day runs the same without any.</span>
    </header>
    <div class="body">
      <p-table [value]="rows()" size="small" [tableStyle]="{ 'min-width': '50rem' }">
        <ng-template #header>
          <tr>
            <th>Device</th>
            <th>State</th>
            <th class="n">Taken</th>
            <th class="n">Malformed</th>
            <th class="n">Unsigned</th>
            <th class="n">Replayed</th>
            <th class="n">Unusable</th>
            <th>Last refused</th>
            <th><span class="visually-hidden">Actions</span></th>
          </tr>
        </ng-template>
        <ng-template #body let-row>
          <tr>
            <td>
              <b>{{ row.name }}</b><span class="muted id">{{ row.id }}</span>
            </td>
            <td>
              <span class="chip" [class.warn]="row.state === 'silent'" [class.good]="row.state === 'heard'">{{
                row.word
              }}</span>
              <span class="muted">{{ row.since }}</span>
            </td>
            <td class="n">{{ row.accepted }}</td>
            <td class="n">{{ row.malformed }}</td>
            <td class="n">{{ row.unsigned }}</td>
            <td class="n">{{ row.replayed }}</td>
            <td class="n">{{ row.unusable }}</td>
            <td>{{ row.lastRefusal }}</td>
            <td>
              <p-button
                label="Remove"
                size="small"
                [text]="true"
                [ariaLabel]="'Remove ' + row.name"
                (onClick)="remove(row.id)"
              />
            </td>
          </tr>
        </ng-template>
        <ng-template #emptymessage>
          <tr>
            <td colspan="9">No device yet. Laps are counted by hand.</td>
          </tr>
        </ng-template>
      </p-table>
      <h2>Add a device</h2>
      <form (submit)="add(); $event.preventDefault()">
        <label>Id <input pInputText pSize="small" name="id" pattern="[a-z0-9\\-]+" [(ngModel)]="id" /></label>
        <label>Name <input pInputText pSize="small" name="name" [(ngModel)]="name" /></label>
        <p-selectbutton
          name="kind"
          [options]="kinds"
          optionLabel="label"
          optionValue="value"
          [allowEmpty]="false"
          size="small"
          [(ngModel)]="kind"
          ariaLabelledBy="device-kind"
        />
        <span id="device-kind" class="visually-hidden">Kind</span>
        <p-button type="submit" label="Add" size="small" [disabled]="!id() || !name()" />
      </form>
      @if (key(); as key_) {
        <p class="key" role="status">
          Its key, shown once: <code>{{ key_ }}</code>
        </p>
      }
    </div>
  `,
  styles: `
    .id {
      margin-left: 0.5rem;
    }
    .n {
      text-align: right;
    }
    h2 {
      margin: 1.4rem 0 0.5rem;
    }
    form {
      display: flex;
      flex-wrap: wrap;
      gap: 0.8rem;
      align-items: center;
    }
    .key {
      padding: 0.6rem 0.8rem;
      background: var(--p-jl-amber-soft);
    }
    code {
      font-size: 15px;
      user-select: all;
    }
  `,
  host: { class: 'screen' },
})
export class Devices {
  private readonly api = inject(Api);
  private readonly data = inject(DayService);
  private readonly devices = inject(DeviceService);
  protected readonly kinds = [
    { label: 'timing loop', value: 'timing' as const },
    { label: 'trackers', value: 'tracker' as const },
  ];
  protected readonly id = signal('');
  protected readonly name = signal('');
  protected readonly kind = signal<Device['kind']>('timing');
  protected readonly key = signal<string | undefined>(undefined);
  protected readonly rows = computed(() =>
    this.devices.devices().map((device) => ({
      ...device,
      word: STATE_WORDS[device.state],
      since:
        device.state === 'silent' && device.heardAt ? `for ${formatDistanceToNowStrict(parseISO(device.heardAt))}` : '',
    })),
  );

  constructor() {
    this.devices.refresh();
  }

  protected add(): void {
    const body = { id: this.id().trim(), name: this.name().trim(), kind: this.kind() };
    this.api.call(contract.addDevice, { body }).subscribe({
      next: ({ key }) => {
        this.key.set(key);
        this.id.set('');
        this.name.set('');
        this.devices.refresh();
      },
      error: (error: Error) => this.data.refuse(error.message),
    });
  }

  protected remove(id: string): void {
    this.api.call(contract.removeDevice, { params: { id } }).subscribe({
      next: () => this.devices.refresh(),
      error: (error: Error) => this.data.refuse(error.message),
    });
  }
}
