'use client';
import { useEffect, useRef } from 'react';
import type { KeyboardEvent } from 'react';
import { LONGEST_CUE } from '@/core/model/captions';
import type { Cue } from '@/core/model/captions';
import { useDesk, useDeskUi } from '../deskContext';
import type { CueActions } from './useCueActions';

interface Props {
  readonly cue: Cue;
  readonly number: number;
  readonly actions: CueActions;
  readonly onGo: (by: number, caret: 'start' | 'end' | null) => void;
}

/**
 * The words of the open cue, with their marks. Up and down leave it at its first and last line, Ctrl+Enter splits it,
 * Ctrl+J joins it with the next, Ctrl+I puts into italics, Alt+L breaks its lines; Escape gives the keys back.
 */
export function WordsBox({ cue, number, actions, onGo }: Props) {
  const { ui } = useDesk();
  const box = useRef<HTMLTextAreaElement>(null);
  const caret = useDeskUi((state) => state.caret);
  const wanted = caret?.cueId === cue.id && caret.wanted === true ? caret : null;
  useEffect(() => {
    const element = box.current;
    if (wanted === null || element === null) return;
    element.focus({ preventScroll: true });
    element.setSelectionRange(wanted.from, wanted.to);
    ui.setState({ caret: { ...wanted, wanted: false } });
  }, [wanted, ui]);
  const remember = (element: HTMLTextAreaElement): void =>
    ui.setState({ caret: { cueId: cue.id, from: element.selectionStart, to: element.selectionEnd } });
  const onKeyDown = (event: KeyboardEvent<HTMLTextAreaElement>): void => {
    const element = event.currentTarget;
    const act = keyAct(event, element, actions, onGo);
    if (act === null) return;
    event.preventDefault();
    event.stopPropagation();
    remember(element);
    act();
  };
  return (
    <textarea
      ref={box}
      aria-label={`Words of caption ${number}`}
      dir="auto"
      rows={2}
      maxLength={LONGEST_CUE}
      value={cue.words}
      placeholder="Type what is said"
      onChange={(event) => {
        actions.change([cue.id], { words: event.target.value });
        remember(event.target);
      }}
      onSelect={(event) => remember(event.currentTarget)}
      onKeyDown={onKeyDown}
      className="absolute inset-x-0.5 top-0.5 z-10 min-h-[43px] resize-none rounded-md bg-field px-1.5 py-1 leading-[18px] shadow-sm ring-2 ring-leaf outline-none field-sizing-content"
    />
  );
}

function keyAct(
  event: KeyboardEvent,
  element: HTMLTextAreaElement,
  actions: CueActions,
  onGo: Props['onGo'],
): (() => void) | null {
  const { selectionStart: from, selectionEnd: to, value } = element;
  const isMod = event.ctrlKey || event.metaKey;
  const key = event.key.toLowerCase();
  if (isMod && key === 'enter') return actions.split;
  if (isMod && key === 'j') return actions.join;
  if (isMod && key === 'i') return () => actions.mark({ kind: 'italic' });
  if (event.altKey && key === 'l') return actions.breakLines;
  if (event.key === 'Escape')
    return () => {
      element.blur();
      element.closest<HTMLElement>('[role="grid"]')?.focus();
    };
  if (isMod || event.altKey || event.shiftKey || from !== to) return null;
  if (event.key === 'ArrowUp' && !value.slice(0, from).includes('\n')) return () => onGo(-1, 'end');
  if (event.key === 'ArrowDown' && !value.slice(to).includes('\n')) return () => onGo(1, 'end');
  return null;
}
