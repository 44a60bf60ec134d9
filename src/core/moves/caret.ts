import { defineMove, numberParam } from './move';
import { from } from './part';

export const caret = defineMove({
  id: 'caret',
  label: 'Type on with a caret',
  params: [
    { id: 'colour', label: 'Caret', control: 'colour', preset: '#e3b94f' },
    numberParam('widthU', 'Width', ['u', 1, 80, 7]),
  ],
  suits: { unit: 'letter', overlap: 0, ease: 'even', unitSeconds: 0.07 },
  needs: 'letters',
  // One letter after the other, so that there is one caret at a time: before its letter, then behind it.
  plan: (_unit, params) => ({
    parts: [from('block', 0, { ease: 'even' })],
    block: { kind: 'caret', colour: params.choice('colour'), widthU: params.number('widthU') },
  }),
});
