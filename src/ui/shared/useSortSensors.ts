'use client';
import { KeyboardSensor, PointerSensor, useSensor, useSensors } from '@dnd-kit/core';
import { sortableKeyboardCoordinates } from '@dnd-kit/sortable';

// Kept outside: with new options at every drawing the sensors are new, and everything sortable is drawn again.
const POINTER = { activationConstraint: { distance: 5 } };
const KEYBOARD = { coordinateGetter: sortableKeyboardCoordinates };

/** Pointer and keyboard for lists whose order can be changed; a press that hardly moves is a click. */
export function useSortSensors(): ReturnType<typeof useSensors> {
  return useSensors(useSensor(PointerSensor, POINTER), useSensor(KeyboardSensor, KEYBOARD));
}
