import fc from 'fast-check';
import '../words/en/schema-issues.ts';

/** A noisy machine may take its time: a spec fails for what is wrong, not for what is slow. */
jasmine.DEFAULT_TIMEOUT_INTERVAL = 60_000;

/** The same code gets the same verdict; another `JOYLAP_SEED` hunts elsewhere. */
fc.configureGlobal({ seed: Number(process.env.JOYLAP_SEED ?? 20_270_522) });
