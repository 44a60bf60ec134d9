'use client';
import type { TimedCard } from '@/core/timeline/compiledCredits';
import { readingSeconds } from '@/core/text/readingTime';
import { useHouse } from '../../shared/useHouse';

interface Props {
  readonly cards: readonly TimedCard[];
  /** Shows a moment, in seconds from the title's start. */
  readonly onShow: (seconds: number) => void;
}

/** The cards of credits: how long each stands, and how long it takes to read. */
export function CardTimes({ cards, onShow }: Props) {
  const { reading } = useHouse();
  return (
    <section aria-labelledby="card-times">
      <h3 id="card-times" className="caps pb-1.5">
        Cards
      </h3>
      <ol className="grid gap-1">
        {cards.map((card, i) => {
          const stands = card.to - card.from;
          const reads = readingSeconds(card.reads, reading);
          return (
            <li key={i}>
              <button
                type="button"
                onClick={() => onShow((card.from + card.to) / 2)}
                className="grid w-full grid-cols-[1.5rem_1fr_auto] gap-x-2 rounded-lg border border-line bg-field px-3 py-1.5 text-left hover:border-line-strong"
              >
                <span className="font-mono text-soft">{i + 1}</span>
                <span dir="auto" className="truncate">
                  {card.reads.replaceAll('\n', ' · ')}
                </span>
                <span className={reads > stands + 0.05 ? 'font-semibold text-stop-ink' : 'text-soft'}>
                  {`${stands.toFixed(1)} s, reads in ${reads.toFixed(1)}`}
                </span>
              </button>
            </li>
          );
        })}
      </ol>
    </section>
  );
}
