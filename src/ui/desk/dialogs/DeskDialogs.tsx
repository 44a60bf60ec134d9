'use client';
import dynamic from 'next/dynamic';
import { useDesk, useDeskUi } from '../deskContext';
import { CueTimesDialog } from '../captions/CueTimesDialog';
import { TracksDialog } from '../captions/TracksDialog';
import { TranscriptDialog } from '../captions/TranscriptDialog';
import { CutsDialog } from './CutsDialog';
import { DeliveriesDialog } from './DeliveriesDialog';
import { ChooseEditionDialog } from './ChooseEditionDialog';
import { EditionsDialog } from './EditionsDialog';
import { FillDialog } from './FillDialog';
import { FindDialog } from './FindDialog';
import { ProjectDialog } from './ProjectDialog';
import { CreditListDialog } from '../credits/CreditListDialog';
import { QuietDialog } from './QuietDialog';
import { RelinkDialog } from './RelinkDialog';
import { SwapDialog } from './SwapDialog';

// Readers and writers of files are only fetched once there is a file.
const ReadCaptionsDialog = dynamic(
  () => import('../captions/ReadCaptionsDialog').then((module) => module.ReadCaptionsDialog),
  { ssr: false },
);
const WriteCaptionsDialog = dynamic(
  () => import('../captions/WriteCaptionsDialog').then((module) => module.WriteCaptionsDialog),
  { ssr: false },
);

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
    case 'track':
      return <TracksDialog onClose={onClose} />;
    case 'readCaptions':
      return <ReadCaptionsDialog onClose={onClose} />;
    case 'writeCaptions':
      return <WriteCaptionsDialog onClose={onClose} />;
    case 'transcript':
      return <TranscriptDialog frame={frame} onClose={onClose} />;
    case 'cueTimes':
      return <CueTimesDialog frame={frame} onClose={onClose} />;
    case 'creditList':
      return <CreditListDialog onClose={onClose} />;
    case null:
      return null;
  }
}
