import type { photosEndpoints } from '@core/api';
import { fact } from '@core/values';
import { notFound, refusalOf } from '../../base/refusal';
import { MOST_PHOTO_BYTES } from '../../store/photos';
import type { Services } from '../services';
import type { Handlers } from '../mount';

/** Pictures: of cars, of faults, for the show. */
export function photosRoutes({ store, clock }: Services): Handlers<typeof photosEndpoints> {
  return {
    putPhoto: ({ params: { id }, body }) => {
      const bytes = Buffer.from(body);
      const type = pictureType(bytes);
      if (type === undefined) throw refusalOf(fact('notAPicture', {}));
      if (!store.photos.add(id, { type, bytes }, clock.recordedAt())) {
        throw refusalOf(fact('picturesFull', {}, { mostBytes: MOST_PHOTO_BYTES }));
      }
      return { id };
    },
    readPhoto: ({ params: { id }, response }) => {
      const photo = store.photos.get(id);
      if (!photo) throw notFound('picture', id);
      response.type(photo.type).set('cache-control', 'private, max-age=31536000, immutable').send(photo.bytes);
    },
  };
}

/** What a picture is by its first bytes, whatever its sender calls it; nothing where it is none that browsers show. */
function pictureType(bytes: Buffer): string | undefined {
  const starts = (text: string, at = 0) => bytes.subarray(at, at + text.length).equals(Buffer.from(text, 'latin1'));
  if (starts('\xff\xd8\xff')) return 'image/jpeg';
  if (starts('\x89PNG\r\n\x1a\n')) return 'image/png';
  return starts('RIFF') && starts('WEBP', 8) ? 'image/webp' : undefined;
}
