import { expect, test } from '@jest/globals';
import { OUTPUTS } from './index';

// WCAG 2.2, 2.5.3: who speaks to a control says what is seen of it.
test.each(OUTPUTS.list.map(({ id, label, short }) => [id, label, short]))(
  '%s is called in full by what is seen of it, and more',
  (_, label, short) => {
    expect(label).toContain(short);
  },
);
