import { provideHttpClient } from '@angular/common/http';
import {
  ChangeDetectionStrategy,
  Component,
  inject,
  provideBrowserGlobalErrorListeners,
  provideZonelessChangeDetection,
  signal,
  type ApplicationConfig,
} from '@angular/core';
import { FormsModule } from '@angular/forms';
import { addressOf, contract } from '@core/api';
import { Button } from 'primeng/button';
import { providePrimeNG } from 'primeng/config';
import { InputText } from 'primeng/inputtext';
import { Api } from '../../../shared/data/api';
import { PRIME } from '../../../shared/frame/prime';
import { ADD_PATH } from '../../../shared/data/to-be-added';

type Kind = 'iPhone' | 'iPad' | 'Android phone' | 'Tablet' | 'Computer';

/** What this is, by what the browser calls itself. */
export function kindOf(agent: string, touches: boolean): Kind {
  if (agent.includes('iPhone')) return 'iPhone';
  if (agent.includes('iPad') || (agent.includes('Macintosh') && touches)) return 'iPad';
  if (agent.includes('Android')) return agent.includes('Mobile') ? 'Android phone' : 'Tablet';
  return touches ? 'Tablet' : 'Computer';
}

const ANDROID = [
  'Then Settings, Security, "Install a certificate", "CA certificate", and choose the file that was loaded.',
  'The phone asks for its own code and says that others could read along: it is the venue that you trust here.',
];
const APPLE = [
  'Then Settings, "Profile Downloaded", Install.',
  'Then Settings, General, About, "Certificate Trust Settings": turn it on.',
];
/** What has to be done on each kind of device to trust a certificate. */
const TRUST: Readonly<Record<Kind, readonly string[]>> = {
  iPhone: APPLE,
  iPad: APPLE,
  'Android phone': ANDROID,
  Tablet: ANDROID,
  Computer: ['Then open the file and install it as a trusted authority ("root").'],
};

/** Where a phone is let in: the venue's certificate first, where it came without, then the code. Stands by itself. */
@Component({
  selector: 'jl-root',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [Button, FormsModule, InputText],
  templateUrl: './join.html',
  styles: `
    main {
      display: grid;
      gap: 1rem;
      max-width: 30rem;
      margin: 0 auto;
      padding: 1.2rem;
      font-size: 16px;
    }
    .mark {
      display: flex;
      align-items: center;
      gap: 0.5rem;
      margin: 0;
      font-weight: 780;
    }
    section,
    form {
      display: grid;
      gap: 0.6rem;
    }
    ol {
      display: grid;
      gap: 0.9rem;
      margin: 0;
      padding-left: 1.3rem;
    }
    li span {
      display: block;
      margin-top: 0.3rem;
    }
    .go {
      display: inline-block;
      padding: 0.6rem 1rem;
      border-radius: 6px;
      background: var(--p-jl-lake);
      color: var(--p-jl-paper);
      font-weight: 640;
      text-decoration: none;
    }
    input {
      min-height: 44px;
      font-size: 17px;
    }
    #code {
      letter-spacing: 0.15em;
      text-transform: uppercase;
      font-weight: 700;
    }
    p {
      margin: 0;
    }
  `,
})
export class JoinPhone {
  private readonly api = inject(Api);
  private readonly kind = kindOf(navigator.userAgent, navigator.maxTouchPoints > 1);
  /** By HTTP from another machine: the certificate is not trusted yet. */
  protected readonly plain = isPlain(location);
  protected readonly authority = addressOf(contract.readAuthority);
  protected readonly trust = TRUST[this.kind];
  protected readonly secure = `https://${location.host}${location.pathname}`;
  protected readonly secureHost = `https://${location.host}`;
  protected readonly code = signal(decodeURIComponent(location.pathname.slice(ADD_PATH.length + 1)));
  protected readonly name = signal<string>(this.kind);
  protected readonly added = signal<string | undefined>(undefined);
  protected readonly refusal = signal<string | undefined>(undefined);
  protected readonly sending = signal(false);

  protected join(event: Event): void {
    event.preventDefault();
    this.sending.set(true);
    this.refusal.set(undefined);
    const body = { code: this.code().trim(), name: this.name().trim() };
    this.api.call(contract.joinPhone, { body }).subscribe({
      next: ({ phone }) => this.added.set(phone.name),
      error: (error: Error) => {
        this.sending.set(false);
        this.refusal.set(error.message);
      },
    });
  }
}

function isPlain({ protocol, hostname }: Location): boolean {
  return protocol === 'http:' && hostname !== 'localhost' && !hostname.startsWith('127.');
}

/** What it needs; nothing of the day. */
export const joinConfig: ApplicationConfig = {
  providers: [
    provideBrowserGlobalErrorListeners(),
    provideZonelessChangeDetection(),
    provideHttpClient(),
    providePrimeNG(PRIME),
  ],
};
