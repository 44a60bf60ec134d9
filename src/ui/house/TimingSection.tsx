'use client';
import { LanguageBox } from '../shared/LanguageBox';
import { FigureRow } from './FigureRow';
import type { SectionProps } from './HouseScreen';

/** How titles without moves fade, and how fast viewers read. */
export function TimingSection({ house, onChange }: SectionProps) {
  const { timing, reading } = house;
  const time = (change: Partial<typeof timing>): void => onChange({ timing: { ...timing, ...change } });
  const read = (change: Partial<typeof reading>): void => onChange({ reading: { ...reading, ...change } });
  const seconds = { unit: 's', min: 0, max: 10, step: 0.1 };
  return (
    <>
      <h3 className="caps pt-2 pb-1">Fades</h3>
      <FigureRow
        {...seconds}
        label="Fade in"
        about="for a placed title whose template has no moves"
        value={timing.fadeInSeconds}
        onChange={(fadeInSeconds) => time({ fadeInSeconds })}
      />
      <FigureRow
        {...seconds}
        label="Fade out"
        about="the same, at its end"
        value={timing.fadeOutSeconds}
        onChange={(fadeOutSeconds) => time({ fadeOutSeconds })}
      />
      <h3 className="caps pt-4 pb-1">Language</h3>
      <div className="grid grid-cols-[200px_220px_1fr] items-center gap-3 py-1">
        <span>Words are in</span>
        <LanguageBox
          label="Language of the House"
          value={house.language}
          otherwise="No language in particular"
          onChange={(language) => onChange({ language })}
        />
        <span className="text-soft">unless a field, a delivery or a project says otherwise</span>
      </div>
      <h3 className="caps pt-4 pb-1">Reading</h3>
      <FigureRow
        label="Words"
        unit="/s"
        min={0.5}
        max={10}
        step={0.1}
        about="a second, read at ease"
        value={reading.wordsPerSecond}
        onChange={(wordsPerSecond) => read({ wordsPerSecond })}
      />
      <FigureRow
        label="Characters"
        unit="/s"
        min={3}
        max={60}
        step={1}
        about="a second; the slower of the two counts"
        value={reading.charactersPerSecond}
        onChange={(charactersPerSecond) => read({ charactersPerSecond })}
      />
      <FigureRow
        label="Characters without spaces"
        unit="/s"
        min={1}
        max={30}
        step={1}
        about="for scripts that set no spaces between words"
        value={reading.unspacedPerSecond}
        onChange={(unspacedPerSecond) => read({ unspacedPerSecond })}
      />
      <FigureRow
        {...seconds}
        max={5}
        label="To notice it"
        about="before reading starts"
        value={reading.noticeSeconds}
        onChange={(noticeSeconds) => read({ noticeSeconds })}
      />
      <FigureRow
        {...seconds}
        label="At least"
        about="for any title"
        value={reading.leastSeconds}
        onChange={(leastSeconds) => read({ leastSeconds })}
      />
    </>
  );
}
