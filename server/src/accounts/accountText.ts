import { must } from '@portiona/core';

const LONGEST_NAME = 80;
const LONGEST_EMAIL = 254;

/** What somebody or something is called: one line, with something in it. */
export function PersonName(): PropertyDecorator {
  return must(
    `must be a name of one line, ${LONGEST_NAME} letters at most`,
    (found) => typeof found === 'string' && found.length <= LONGEST_NAME && /\S/.test(found) && !/\p{C}/u.test(found),
    { type: 'string', maxLength: LONGEST_NAME },
  );
}

/** An e-mail address, as far as one can tell by its looks: letters without blanks on both sides of one sign. */
export function Email(): PropertyDecorator {
  return must(
    'must be an e-mail address such as tilde@harbour.example',
    (found) => typeof found === 'string' && found.length <= LONGEST_EMAIL && /^[^\s@<>"\p{C}]+@[^\s@<>"\p{C}]+$/u.test(found.trim()),
    { type: 'string', maxLength: LONGEST_EMAIL },
  );
}
