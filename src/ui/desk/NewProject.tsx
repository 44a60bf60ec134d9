'use client';
import { StartDialog } from '../shared/StartDialog';

/** Starts a project; its strip holds each stand-in picture once. */
export function NewProject() {
  return (
    <StartDialog
      title="New project"
      go="Open the desk"
      productions={[]}
      endpoint="projects"
      toBody={(values) => values}
      toPath={(id) => `/desk/${id}`}
    />
  );
}
