'use client';
import { useDesk, useDeskUi } from '../deskContext';
import { CutsDialog } from './CutsDialog';
import { DeliveriesDialog } from './DeliveriesDialog';
import { ChooseEditionDialog } from './ChooseEditionDialog';
import { EditionsDialog } from './EditionsDialog';
import { FillDialog } from './FillDialog';
import { FindDialog } from './FindDialog';
import { ProjectDialog } from './ProjectDialog';
import { QuietDialog } from './QuietDialog';
import { RelinkDialog } from './RelinkDialog';
import { SwapDialog } from './SwapDialog';

interface Props {
  readonly frame: number;
  /** Saves what the server does not have yet. */
  readonly flush?: () => Promise<void>;
}

/** The screen that lies over the desk, if any. */
export function DeskDialogs({ frame, flush = () => Promise.resolve() }: Props) {
  const { ui } = useDesk();
  const dialog = useDeskUi((state) => state.dialog);
  const onClose = (): void => ui.setState({ dialog: null });
  switch (dialog) {
    case 'fill':
      return <FillDialog frame={frame} onClose={onClose} />;
    case 'find':
      return <FindDialog onClose={onClose} />;
    case 'swap':
      return <SwapDialog onClose={onClose} />;
    case 'editions':
      return <EditionsDialog onClose={onClose} />;
    case 'edition':
      return <ChooseEditionDialog onClose={onClose} />;
    case 'deliveries':
      return <DeliveriesDialog onClose={onClose} />;
    case 'cuts':
      return <CutsDialog onClose={onClose} />;
    case 'relink':
      return <RelinkDialog onClose={onClose} />;
    case 'project':
      return <ProjectDialog flush={flush} onClose={onClose} />;
    case 'quiet':
      return <QuietDialog onClose={onClose} />;
    case null:
      return null;
  }
}
