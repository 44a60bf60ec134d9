import type { CaptionTrack, Cue } from '@/core/model/captions';
import { newCue } from '@/core/model/captions';

/** The captions of the demo project: two minutes of the second day, in English and in Hindi. */
export const CAPTION_TRACKS: readonly CaptionTrack[] = [
  { id: 'captions-en', name: 'English', language: 'en', editionId: 'banded-captions-1' },
  { id: 'captions-hi', name: 'Hindi', language: 'hi', editionId: null },
];

type Line = readonly [from: number, to: number, en: string, hi: string, more?: Partial<Cue>];

// Seconds of the programme; the pictures cut at 12, 34, 52, 74 and 92.
const LINES: readonly Line[] = [
  [
    3,
    6.8,
    'Good morning from Osier Reach,\nwhere the water is already high.',
    'ओज़ियर रीच से नमस्कार,\nपानी अभी से चढ़ा हुआ है।',
  ],
  [
    7,
    11.4,
    'Yesterday’s rain has made the gates slow,\nand the crews are told to wait.',
    'कल की बारिश से फाटक धीमे हैं,\nऔर दलों को रुकने को कहा गया है।',
  ],
  [12.6, 16, 'This is what they are waiting for:\nthe second heat.', 'सबको इसी का इंतज़ार है:\nदूसरी दौड़।'],
  [16.5, 18.5, '[A horn]', '[भोंपू]', { forced: true }],
  [
    19,
    23,
    'Ilse Marrow opens the lower gate.\nShe has done it for thirty years.',
    'इल्से मैरो निचला फाटक खोलती हैं,\nतीस साल से यही करती हैं।',
  ],
  [
    23.2,
    26.4,
    'You listen to the wood.\nIt tells you when it is ready.',
    'लकड़ी को सुनिए। वह बताती है\nकि कब तैयार है।',
    { speaker: 'Ilse Marrow' },
  ],
  [27, 30.4, '<i>And the sails? Are they dry?</i>', '<i>और पाल? सूख गए हैं?</i>', { speaker: 'Reporter' }],
  [30.8, 33.4, 'Dry enough to be afraid of.', 'इतने कि डर लगे।', { speaker: 'Teo Vance' }],
  [
    34,
    37.8,
    'At the Upper Weir the current\nis stronger than it was last year.',
    'ऊपरी बाँध पर धारा\nपिछले साल से तेज़ है।',
  ],
  [
    38,
    41.6,
    'Three boats went through before noon;\ntwo of them backwards.',
    'दोपहर से पहले तीन नावें निकलीं,\nउनमें से दो उलटी।',
  ],
  [
    42,
    45.8,
    'Nobody was hurt. The stewards\nlaughed, and wrote it down.',
    'किसी को चोट नहीं आई। संचालक\nहँसे, और लिख लिया।',
  ],
  [
    46.2,
    50.8,
    'We count the boats that come out,\nnot the way that they are pointing.',
    'हम निकली हुई नावें गिनते हैं,\nयह नहीं कि मुँह किधर है।',
    { speaker: 'Bartholomew Quillfeather-Oduya' },
  ],
  [52, 55.2, 'In the reed beds it is quiet.', 'सरकंडों में शांति है।'],
  [
    56,
    60.3,
    'Noor Halloran waits for the turn\nof the tide, with one eye on the clock.',
    'नूर ज्वार के पलटने की राह देखती हैं,\nएक आँख घड़ी पर है।',
  ],
  [60.4, 63.4, 'Eleven minutes. Then we go.', 'ग्यारह मिनट। फिर चलेंगे।', { speaker: 'Noor Halloran' }],
  [
    64.2,
    69,
    'The reeds were cut in March, so the course\nis wider here than on the map.',
    'सरकंडे मार्च में कटे थे, इसलिए\nरास्ता नक्शे से चौड़ा है।',
  ],
  [69.6, 73, 'It will not stay like that.', 'यह ऐसा नहीं रहेगा।'],
  [74.6, 78, 'By the evening the harbour is full.', 'शाम तक बंदरगाह भर जाता है।'],
  [
    78.6,
    83.4,
    'The boat builders have brought lamps,\nand somebody has brought a drum.',
    'नाव बनाने वाले दीये लाए हैं,\nऔर कोई ढोल लाया है।',
  ],
  [84, 87.6, '♪ Low water, slow water,\ncarry my lantern ♪', '♪ धीमे पानी, मेरा दीया\nले चल ♪'],
  [88, 91.4, '♪ over the weir and away ♪', '♪ बाँध के पार, दूर ♪'],
  [
    92,
    96,
    'At a quarter to eleven\nthe night ferry makes its crossing.',
    'पौने ग्यारह बजे\nरात की नाव पार जाती है।',
  ],
  [
    98.6,
    103.2,
    'Ode Pell is on deck, where he can see\nevery light on the water.',
    'ओड पेल डेक पर हैं, जहाँ से\nपानी की हर रोशनी दिखती है।',
  ],
  [103.8, 107.4, 'From here it looks like one boat.', 'यहाँ से यह एक ही नाव लगती है।', { speaker: 'Ode Pell' }],
  [
    108,
    112.6,
    'It is one hundred and twelve,\nand all of them are coming home.',
    'ये एक सौ बारह हैं,\nऔर सब घर लौट रही हैं।',
  ],
  [113.2, 117.4, 'Good night from Osier Reach.', 'ओज़ियर रीच से शुभ रात्रि।'],
];

const frames = (seconds: number): number => Math.round(seconds * 25);

/** The cues of both tracks. */
export const CAPTION_CUES: readonly Cue[] = LINES.flatMap(([from, to, en, hi, more], i) => {
  const span = { startFrame: frames(from), lengthFrames: frames(to) - frames(from) };
  return [
    newCue({ id: `cue-en-${i + 1}`, trackId: 'captions-en', ...span, words: en, ...more }),
    newCue({ id: `cue-hi-${i + 1}`, trackId: 'captions-hi', ...span, words: hi, ...more }),
  ];
});
