import { expect, test } from '@jest/globals';
import { render, screen, within } from '@testing-library/react';
import { FirstSteps } from './FirstSteps';

test.each(['bench', 'desk', 'press'] as const)(
  'an empty %s says what to do, all of the way to delivery, and which step of it this is',
  (here) => {
    render(<FirstSteps here={here}>Start one.</FirstSteps>);
    expect(screen.getByText('Start one.')).toBeVisible();
    const steps = screen.getAllByRole('listitem');
    expect(steps.map((step) => within(step).getAllByText(/^(Bench|Desk|Press)$/)[0].textContent)).toEqual([
      'Bench',
      'Desk',
      'Press',
    ]);
    const [current, ...others] = steps.filter((step) => step.hasAttribute('aria-current'));
    expect(current).toHaveTextContent(new RegExp(`^${here}`, 'i'));
    expect(others).toEqual([]);
    expect(screen.getByRole('img', { name: 'Gold leaf' })).toBeVisible();
  },
);
