/** A noisy machine may take its time: a spec fails for what is wrong, not for what is slow. */
jasmine.DEFAULT_TIMEOUT_INTERVAL = 60_000;
