import { ChangeDetectionStrategy, Component, computed, inject, signal } from '@angular/core';
import { FormsModule } from '@angular/forms';
import { contract, type Device } from '@core/api';
import { formatDistanceToNowStrict, parseISO } from 'date-fns';
import { Button } from 'primeng/button';
import { InputText } from 'primeng/inputtext';
import { SelectButton } from 'primeng/selectbutton';
import { TableModule } from 'primeng/table';
import { Api } from '../../../shared/data/api';
import { DayService } from '../../../shared/data/day.service';
import { DeviceService } from '../../../shared/data/device.service';
import { PhoneList } from '../phones/phone-list';

const STATE_WORDS: Record<Device['state'], string> = { never: 'never heard', heard: 'heard', silent: 'silent' };

/** The manager's list of timing loops and trackers: which are heard, and what was refused of what they sent. */
@Component({
  selector: 'jl-devices',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [Button, FormsModule, InputText, PhoneList, SelectButton, TableModule],
  templateUrl: './devices.html',
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
  protected readonly isRead = this.devices.isRead;
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
