import type { Template } from '../core/model/template';
import type { ListedTemplate } from '../core/resolve/listed';

/** A template in the list of the bench. */
export interface TemplateSummary extends ListedTemplate {
  readonly id: string;
  readonly revision: number;
  readonly releasedRevision: number | null;
  readonly latestEdition: number;
}

/** A template as it is worked on. */
export interface TemplateRecord {
  readonly id: string;
  readonly document: Template;
  readonly revision: number;
  readonly releasedRevision: number | null;
  readonly latestEdition: number;
}

/** A template as it was released. */
export interface EditionRecord {
  readonly id: string;
  readonly templateId: string;
  readonly number: number;
  readonly document: Template;
  readonly releasedAt: string;
}

/** A template on the shelf: its newest edition. */
export interface ShelfEntry extends ListedTemplate {
  readonly id: string;
  readonly templateId: string;
  readonly number: number;
  readonly releasedAt: string;
  /** Titles that use any edition of it. */
  readonly totalUses: number;
}

/** What a package became: the new template, and faces that it asks for and that are not here. */
export interface BroughtIn {
  readonly id: string;
  readonly name: string;
  readonly missingFaces: readonly string[];
  /** What was done to its pictures that a designer should know. */
  readonly notes: readonly string[];
}
