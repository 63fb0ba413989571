import { createHmac, timingSafeEqual } from 'node:crypto';
import type { DeviceLine } from '@core/api';

/** HMAC-SHA256 (RFC 2104) of time, sequence number and body under a device's key, in hex. */
export function signatureOf(key: string, { time, seq, body }: Omit<DeviceLine, 'mac'>): string {
  return createHmac('sha256', key).update(`${time}\n${seq}\n${body}`).digest('hex');
}

export function isSigned(key: string, line: DeviceLine): boolean {
  return timingSafeEqual(Buffer.from(signatureOf(key, line), 'hex'), Buffer.from(line.mac, 'hex'));
}
