import { ChangeDetectionStrategy, Component, computed, effect, inject, model, signal, untracked } from '@angular/core';
import { FormsModule } from '@angular/forms';
import { DomSanitizer, type SafeHtml } from '@angular/platform-browser';
import { contract, type NetworkView, type PhoneCode } from '@core/api';
import { format, parseISO } from 'date-fns';
import { Button } from 'primeng/button';
import { Dialog } from 'primeng/dialog';
import { toString as qrSvg } from 'qrcode';
import { Api } from '../../../shared/data/api';
import { DayService } from '../../../shared/data/day.service';
import { PhonesService } from './phones.service';
import { ADD_PATH } from '../../../shared/data/to-be-added';

/** Why no phone can be added. */
export function whyNone({ why }: NetworkView): string {
  return why === 'portTaken'
    ? 'Joy Lap does not reach the network: something else listens on its port. Start it with another JOYLAP_NETWORK_PORT.'
    : 'Joy Lap listens for this machine only. Start it without JOYLAP_NETWORK_PORT=off, and join a network.';
}

/** Adds a phone: a code to scan, and the same to type. Says when it is in. */
@Component({
  selector: 'jl-add-phone',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [Button, Dialog, FormsModule],
  templateUrl: './add-phone.html',
  styles: `
    .way {
      display: grid;
      grid-template-columns: 11rem 1fr;
      gap: 1.2rem;
      align-items: center;
    }
    .code {
      padding: 0.6rem;
      background: #fff;
    }
    .address {
      font-size: 17px;
      font-weight: 640;
      user-select: all;
      overflow-wrap: anywhere;
    }
    .typed {
      font-size: 26px;
      font-weight: 780;
      letter-spacing: 0.12em;
      user-select: all;
    }
    p {
      margin: 0.3rem 0;
    }
    .which {
      display: grid;
      gap: 0.3rem;
      margin-top: 0.6rem;
      font-size: 12.5px;
    }
    .buttons {
      display: flex;
      justify-content: flex-end;
      gap: 0.5rem;
      margin-top: 1rem;
    }
    @media (max-width: 640px) {
      .way {
        grid-template-columns: 1fr;
      }
    }
  `,
})
export class AddPhone {
  private readonly api = inject(Api);
  private readonly data = inject(DayService);
  private readonly phones = inject(PhonesService);
  private readonly sanitizer = inject(DomSanitizer);
  readonly open = model(false);
  protected readonly whyNone = whyNone;
  protected readonly network = signal<NetworkView | undefined>(undefined);
  protected readonly code = signal<PhoneCode | undefined>(undefined);
  protected readonly chosen = signal<string | undefined>(undefined);
  protected readonly picture = signal<SafeHtml | undefined>(undefined);
  private readonly before = signal<ReadonlySet<string>>(new Set());
  protected readonly address = computed(() => this.chosen() ?? this.network()?.addresses[0]);
  /** By HTTP where it does not trust the certificate yet: both are on one port. */
  private readonly base = computed(() => {
    const address = this.address();
    return this.network()?.ownAuthority ? address?.replace('https:', 'http:') : address;
  });
  protected readonly short = computed(() => `${this.base()?.replace(/^http:\/\//, '')}${ADD_PATH}`);
  protected readonly link = computed(() => {
    const [base, code] = [this.base(), this.code()];
    return base && code ? `${base}${ADD_PATH}/${code.code}` : undefined;
  });
  protected readonly until = computed(() => format(parseISO(this.code()!.until), 'HH:mm'));
  /** Who has come in since. */
  protected readonly joined = computed(() => {
    const fresh = this.phones.phones().filter(({ id }) => !this.before().has(id));
    return fresh.length === 0 ? '' : `${fresh.map(({ name }) => name).join(', ')}: in.`;
  });

  constructor() {
    effect(() => {
      if (this.open()) untracked(() => this.begin());
    });
    effect(() => {
      const link = this.link();
      if (!link) return this.picture.set(undefined);
      void qrSvg(link, { type: 'svg', margin: 0, errorCorrectionLevel: 'M' }).then((svg) =>
        // Drawn by the library from our own address.
        this.picture.set(this.sanitizer.bypassSecurityTrustHtml(svg)),
      );
    });
  }

  protected begin(): void {
    this.before.set(new Set(this.phones.phones().map(({ id }) => id)));
    this.api.call(contract.readNetwork).subscribe({
      next: (network) => this.network.set(network),
      error: (error: Error) => this.data.refuse(error.message),
    });
    this.api.call(contract.makePhoneCode).subscribe({
      next: (code) => this.code.set(code),
      error: (error: Error) => this.data.refuse(error.message),
    });
  }
}
