'use client';
import { Segmented } from './Segmented';
import { SelectBox } from './SelectBox';

interface Props {
  readonly label: string;
  readonly value: string;
  readonly choices: readonly { readonly value: string; readonly label: string }[];
  readonly onChange: (value: string) => void;
}

// What stands side by side in a narrow row without touching: so many choices, and so many letters if all were as long
// as the longest.
const MOST_SEGMENTS = 3;
const MOST_LETTERS = 20;

/** One of some choices: side by side where their words have room, else in a list. */
export function ChoiceBox(props: Props) {
  const { length } = props.choices;
  const letters = length * Math.max(0, ...props.choices.map((choice) => choice.label.length));
  const fits = length <= MOST_SEGMENTS && letters <= MOST_LETTERS;
  return fits ? <Segmented {...props} /> : <SelectBox {...props} />;
}
