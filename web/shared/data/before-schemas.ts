import '@words/en/schema-issues';
import * as z from 'zod';

// The content security policy forbids code made at run time, which zod would try for speed as soon as a schema is made.
// So this runs as a polyfill, before any module with a schema is loaded.
z.config({ jitless: true });
