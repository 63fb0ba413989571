import { createServer as createHttpServer, type RequestListener } from 'node:http';
import { createServer as createTlsServer, type Server as TlsServer } from 'node:https';
import type { AddressInfo, Server } from 'node:net';
import type { NetworkView } from '@core/api';
import { inUrl, networkAddresses, ownNames } from './addresses';
import { ownCertificate } from './authority';
import { eitherServer } from './either';

export interface NetworkSettings {
  /** Where this machine's own pages are: `http://localhost:4700`. */
  readonly here: string;
  /** Further names by which the server is called. */
  readonly hosts: readonly string[];
  /** Folder of authority and certificate. */
  readonly folder: string;
  /** Whoever reaches this server is let in without having been added. */
  readonly open: boolean;
}

/** Browsers keep an idle connection for 300 s: one that the server ends just as it is used again loses the request. */
export const KEPT_ALIVE_MS = 310_000;

/**
 * How others on the network reach this server: HTTPS under a certificate of its own authority, and HTTP on the same port
 * for what has not trusted that yet.
 */
export class Network {
  private listener: { readonly server: Server; readonly secure: TlsServer; readonly port: number } | undefined;
  private authority: string | undefined;
  /** Why nothing listens for the network. */
  private why: NetworkView['why'] = 'off';
  /** Where one has been given, the network comes by the server's first port, in this form. */
  private byFirstPort: { readonly scheme: 'http' | 'https'; readonly port: number } | undefined;

  constructor(private readonly settings: NetworkSettings) {}

  get open(): boolean {
    return this.settings.open;
  }

  get authorityCertificate(): string | undefined {
    return this.authority;
  }

  /** The first port is open to the network itself. */
  reachedByFirstPort(scheme: 'http' | 'https', port: number): void {
    this.byFirstPort = { scheme, port };
  }

  /** Listens; a port that is taken is told by `view` and keeps nobody from working at this machine. */
  async listen(port: number, answer: RequestListener): Promise<void> {
    const { cert, key, authority } = await this.certificate();
    this.authority = authority;
    const secure = createTlsServer({ cert, key }, answer);
    const plain = createHttpServer(answer);
    for (const one of [secure, plain]) one.keepAliveTimeout = KEPT_ALIVE_MS;
    const server = eitherServer(plain, secure);
    await new Promise<void>((resolve) => {
      server.once('error', () => {
        this.why = 'portTaken';
        resolve();
      });
      server.listen(port, () => {
        this.listener = { server, secure, port: (server.address() as AddressInfo).port };
        resolve();
      });
    });
  }

  /** Where phones find the server now; the certificate is made anew where an address has come. */
  async view(): Promise<NetworkView> {
    if (this.listener) {
      const { cert, key } = await this.certificate();
      this.listener.secure.setSecureContext({ cert, key });
    }
    const at = this.listener ? { scheme: 'https', port: this.listener.port } : this.byFirstPort;
    const names = at ? [...networkAddresses(), ...this.settings.hosts] : [];
    return {
      here: this.settings.here,
      addresses: names.map((name) => `${at!.scheme}://${inUrl(name)}:${at!.port}`),
      ownAuthority: this.listener !== undefined,
      withoutSignIn: this.settings.open && at !== undefined,
      ...(at === undefined && { why: this.why }),
    };
  }

  close(): void {
    this.listener?.server.close();
  }

  private certificate() {
    const names = [...new Set([...ownNames(), ...this.settings.hosts])];
    return ownCertificate(this.settings.folder, names, new Date());
  }
}
