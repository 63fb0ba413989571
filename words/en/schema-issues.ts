import * as z from 'zod';

/**
 * What people read where a schema says nothing of its own: the validator's words are made for programmers. Whatever reads
 * from outside imports this first: server, its thread for files, commands, browser and its threads.
 */
z.config({ customError: words });

const KINDS: Readonly<Record<string, string>> = {
  number: 'a number',
  int: 'a whole number',
  string: 'text',
  boolean: 'yes or no',
  array: 'a list',
  object: 'a group of fields',
  record: 'a group of fields',
  date: 'a date',
};

const FORMS: Readonly<Record<string, string>> = {
  email: 'an e-mail address',
  date: 'a date, YYYY-MM-DD',
  datetime: 'a date and time',
  time: 'a time of day',
  url: 'an address',
};

function words(issue: z.core.$ZodRawIssue): string | undefined {
  switch (issue.code) {
    case 'invalid_type': {
      const expected = `expected ${KINDS[issue.expected] ?? issue.expected}`;
      return issue.input === undefined ? `is missing: ${expected}` : expected;
    }
    case 'too_small':
      if (issue.origin === 'string' && issue.minimum === 1) return 'is empty';
      return `expected ${issue.inclusive === false ? 'more than' : 'at least'} ${amount(issue.origin, issue.minimum)}`;
    case 'too_big':
      return `expected ${issue.inclusive === false ? 'less than' : 'at most'} ${amount(issue.origin, issue.maximum)}`;
    case 'invalid_value':
      return `expected ${issue.values.length > 1 ? 'one of ' : ''}${issue.values.map(String).join(', ')}`;
    case 'invalid_format':
      return `expected ${FORMS[issue.format] ?? 'text of another form'}`;
    case 'not_multiple_of':
      return `expected a multiple of ${issue.divisor}`;
    case 'invalid_union':
      return 'expected another kind of value';
    default:
      return undefined;
  }
}

/** `3 characters`, `2 in the list`, or the number itself. */
function amount(origin: string, size: number | bigint): string {
  if (origin === 'string') return `${size} characters`;
  return origin === 'array' || origin === 'set' ? `${size} in the list` : String(size);
}
