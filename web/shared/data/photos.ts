import { inject, Injectable } from '@angular/core';
import { contract } from '@core/api';
import { firstValueFrom } from 'rxjs';
import { Api } from './api';

/** Pictures of cars, of faults and for the show, on their way to the server. */
@Injectable({ providedIn: 'root' })
export class Photos {
  private readonly api = inject(Api);

  /** Sends a picture and gives its id; nothing where it cannot be sent. */
  async send(file: Blob, id: string): Promise<string | undefined> {
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
