'use client';
import { useState } from 'react';
import { StartDialog } from '../shared/StartDialog';

/** Starts a project; its strip is empty unless stand-in pictures are asked for. */
export function NewProject() {
  const [standIns, setStandIns] = useState(false);
  return (
    <StartDialog
      title="New project"
      go="Open the desk"
      productions={[]}
      endpoint="projects"
      toBody={(values) => ({ ...values, standIns })}
      toPath={(id) => `/desk/${id}`}
    >
      <label className="flex items-center gap-2">
        <input
          type="checkbox"
          checked={standIns}
          onChange={(event) => setStandIns(event.target.checked)}
          className="h-4 w-4 accent-leaf"
        />
        Put stand-in pictures on its strip
      </label>
    </StartDialog>
  );
}
