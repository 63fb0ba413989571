import type { Services } from './services';

/** To be called when what is set up has changed: every day is read anew, and every screen is told. */
export function setupChanged({ dayCache, hub }: Pick<Services, 'dayCache' | 'hub'>): () => void {
  return () => {
    dayCache.forget();
    hub.changed('setup');
  };
}
