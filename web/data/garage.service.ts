import { inject, Injectable, signal } from '@angular/core';
import { contract } from '@core/api';
import type { CrewDay } from '@core/crew';
import type { CarDay } from '@core/garage';
import { firstValueFrom } from 'rxjs';
import { Api } from './api';
import { DayService } from './day.service';

/** What the cars did on the days up to the one that is open; today is counted from the journal on screen. */
@Injectable({ providedIn: 'root' })
export class GarageService {
  private readonly api = inject(Api);
  private readonly data = inject(DayService);
  /** Days before the one that is open. */
  readonly earlier = signal<readonly CarDay[]>([]);
  /** What the crew did on those days. */
  readonly crew = signal<readonly CrewDay[]>([]);
  readonly failure = signal<string | undefined>(undefined);

  refresh(): void {
    const date = this.data.date();
    if (!date) return;
    this.api.call(contract.readGarage, { params: { date } }).subscribe({
      next: ({ days, crew }) => {
        this.failure.set(undefined);
        this.earlier.set(days.filter((day) => day.date < date));
        this.crew.set(crew.filter((day) => day.date < date));
      },
      error: (error: Error) => this.failure.set(error.message),
    });
  }

  /** Sends a picture and gives its id; nothing where it cannot be sent. */
  async sendPhoto(file: Blob, id: string): Promise<string | undefined> {
    try {
      const picture = await smaller(file);
      const kept = await firstValueFrom(this.api.call(contract.putPhoto, { params: { id }, body: picture }));
      return kept.id;
    } catch {
      return undefined;
    }
  }
}

const MOST_PX = 1400;

/** The picture as JPEG, no larger than is needed to see a scratch. */
async function smaller(file: Blob): Promise<Blob> {
  const bitmap = await createImageBitmap(file);
  const scale = Math.min(1, MOST_PX / Math.max(bitmap.width, bitmap.height));
  const canvas = document.createElement('canvas');
  canvas.width = Math.round(bitmap.width * scale);
  canvas.height = Math.round(bitmap.height * scale);
  canvas.getContext('2d')!.drawImage(bitmap, 0, 0, canvas.width, canvas.height);
  return new Promise((resolve, reject) =>
    canvas.toBlob((blob) => (blob ? resolve(blob) : reject(new Error('no picture'))), 'image/jpeg', 0.82),
  );
}
