/**
 * Little words that belong to what follows them, by language: a line is broken before them, never behind. Articles,
 * prepositions and conjunctions of the languages whose rules are known here; for others lines are broken evenly only.
 */
const LEADING: Readonly<Record<string, string>> = {
  en: 'a an the of to in on at by for from with about into onto over under and or but nor so that which who whose when where while because if than as my your his her its our their this these those not very is are was were has have had will would can could',
  de: 'der die das den dem des ein eine einen einem einer eines in im an am auf aus bei beim mit nach von vom zu zum zur für über unter und oder aber denn weil dass wenn als ob nicht sehr kein keine mein meine sein seine ihr ihre',
  fr: 'le la les l’ un une des du de d’ à au aux en dans sur sous par pour avec sans chez et ou mais donc car que qui dont où quand si ne pas très mon ma mes son sa ses leur leurs ce cette ces',
  es: 'el la los las un una unos unas de del a al en con por para sin sobre entre y e o u pero que quien cuando donde si no muy mi mis su sus este esta estos estas',
  it: 'il lo la i gli le l’ un uno una di del della dei delle a al alla in nel nella con su sul per tra fra da dal e o ma che chi quando dove se non molto mio mia suo sua',
  pt: 'o a os as um uma uns umas de do da dos das em no na nos nas por para com sem sobre e ou mas que quem quando onde se não muito meu minha seu sua',
  nl: 'de het een van in op aan bij met voor naar uit over onder door en of maar want omdat dat die als wanneer niet zeer mijn zijn haar hun',
  sv: 'en ett den det de av i på med för till från om över under och eller men att som när om inte mycket min din sin',
  el: 'ο η το οι τα τον την του της των ένας μια ένα σε στο στη στην από για με χωρίς και ή αλλά που όταν αν δεν να θα',
  ru: 'в во на с со к ко у о об от до из за по под над при для без и или а но что чтобы как когда где если не ни мой моя свой своя',
  tr: 've veya ama fakat çünkü ki bir bu şu o',
  pl: 'w we na z ze do od u o po pod nad przy dla bez i lub ale że który gdy jeśli nie',
  ar: 'في من إلى على عن مع ثم أو لكن أن إن التي الذي لا لم لن هذا هذه',
};

/** Little words that belong to what stands before them: a line is broken behind them, never before. */
const TRAILING: Readonly<Record<string, string>> = {
  hi: 'का की के को से में पर ने तक भी ही है हैं था थी थे',
  tr: 'da de mi mı mu mü için ile gibi',
};

/** Which words of a language a line end must not be put behind, and which it must not be put before. */
export interface SenseWords {
  readonly leading: ReadonlySet<string>;
  readonly trailing: ReadonlySet<string>;
}

const setOf = (words: string | undefined): ReadonlySet<string> => new Set(words?.split(' '));

const known = new Map<string, SenseWords>();

/** The words by which lines of a language (BCP 47) are broken; empty sets for one whose rules are not known. */
export function senseWords(language: string): SenseWords {
  const [base] = language.toLowerCase().split('-');
  const found = known.get(base) ?? { leading: setOf(LEADING[base]), trailing: setOf(TRAILING[base]) };
  known.set(base, found);
  return found;
}
