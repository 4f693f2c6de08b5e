// Seeded texts for measurements: prose with the words of the demonstration novel, each followed by one that follows it
// there, so that lengths of words and places to divide them are those of real English. Never shown to anybody.
import { seeded } from './seeded';

export interface SeededTextOptions {
  readonly words: number;
  /** 0: one division, without chapters. */
  readonly chapters: number;
  readonly seed: number;
  /** The manuscript from which the words are taken: demo/the-ferry-register.txt. */
  readonly source: string;
}

/** The novel's words are short ones: so many are exchanged for longer, for the lengths of ordinary prose. */
const LONGER = 0.17;
const LONGER_WORDS = `
  about above across afternoon against agreement although announced another anything apartment appeared approach
  argument arranged arrival attention August autumn balance barometer beautiful because become believed beneath
  between blanket borrowed bottles brother building business cabinet candle captain careful carriage carrying
  ceiling certain certificate chairman channel chapter children chimney church circumstances cleared clothes
  coastal collected college committee common companion company complained conclusion condition confidence
  considerable continued conversation corner correspondence cottage country creature crossing cupboard curious
  current curtain customary darkness daughter decided delivered description desperate different difficult dinner
  direction disappeared discovered distance district document doorway downstairs drawing eastern education eleven
  embankment engineer enormous entrance estuary evening eventually everybody everything evidence exactly examined
  excellent exchange expected experience explained expression extraordinary familiar farther fastened February
  finished fisherman following footsteps foreman forgotten fortunate forward furniture garden gathered general
  generation gentleman glances gradually grandmother gravel greenhouse guardian handkerchief happened harbour
  however hundred husband imagination immediately importance impossible impression independent indifferent
  information inquiries inspector instead instruction intelligent intention interesting interrupted introduced
  iron journey kitchen knowledge labourers landlady language lantern latitude laughter learning leather letters
  library lighthouse listened lodging luggage machinery magistrate majority management margin marriage material
  measurement memory merchant message middle ministry minutes mirror moment monument morning mountain movement
  muddied murmured museum narrow natural necessary neighbour neighbourhood neither newspaper nobody nothing notice
  nowhere number obedient obligation observation occasion office opinion opportunity orchard ordinary original
  otherwise outside overcoat overhead ownership painted pamphlet paragraph parcel particular passage patience
  pattern pavement peculiar perhaps permission personal photograph physician picture platform pleasant pocket
  position possibility postmaster preparation presence presently president pressure previous principal probably
  procession professor promise property provided provincial publication purpose quarter question quietly railway
  reading reason received recognised recollection regulation relation remained remarkable remembered repeated
  reporter reservoir responsible restaurant returned riverside satisfaction scarcely scattered schoolmaster
  seasonal secretary section sentence separate September serious servant several severity shadow shoulder shutters
  signature silence similar situation sixpence slightly society somebody something sometimes somewhere southern
  speaking staircase standing statement station stationer steamer stockings storeroom stranger strength suddenly
  suggestion summer superintendent supper surface surprise surveyor suspicion sympathy telegram temperature
  terrace therefore thinking thought thousand through together tomorrow towards treasurer trouble twenty umbrella
  uncertain understand undertaking unexpected unfortunate university unusual upstairs valuable vegetable verandah
  village violence visitor voice volume waiting warehouse watching weather wheelwright whether whisper whitewashed
  wholly widower window winter without witness wonderful wooden workshop writing yesterday younger
`
  .trim()
  .split(/\s+/);

/** Most words of a sentence before one that ends it is looked for. */
const LONG_SENTENCE = 46;

/** A plain text with chapters, dialogue and paragraphs of varied length. */
export function seededText({ words, chapters, seed, source }: SeededTextOptions): string {
  const random = seeded(seed);
  const pick = <T>(list: readonly T[]): T => list[Math.floor(random() * list.length)];
  const { starts, after, ends } = followers(source);
  let made = 0;
  const exchanged = (word: string) => pick(LONGER_WORDS) + (/[,;:.?!]$/.exec(word)?.[0] ?? '');
  const sentence = (): string => {
    const list = [pick(starts)];
    for (;;) {
      const word = list[list.length - 1];
      if (/[.?!]$/.test(word)) break;
      list.push(list.length > LONG_SENTENCE ? pick(ends) : pick(after.get(word) ?? ends));
    }
    made += list.length;
    return list.map((word, k) => (k > 0 && random() < LONGER ? exchanged(word) : word)).join(' ');
  };
  const paragraph = (): string => {
    const kind = random();
    if (kind < 0.15) return `“${sentence()}”`;
    if (kind < 0.22) return `“${sentence()}” ${sentence()}`;
    return Array.from({ length: 2 + Math.floor(random() * 7) }, sentence).join(' ');
  };
  const lines = ['Title: Seeded', 'Author: Nobody', ''];
  for (let chapter = 1; chapter <= Math.max(1, chapters); chapter += 1) {
    if (chapters > 0) {
      const title = sentence()
        .split(' ')
        .slice(0, 3)
        .join(' ')
        .replace(/[,.;:?!]/g, '');
      lines.push(`CHAPTER ${chapter}`, '', title, '');
    }
    while (made < (words * chapter) / Math.max(1, chapters)) lines.push(paragraph(), '');
  }
  return lines.join('\n');
}

/** Words with their stops: those that begin a sentence, those that follow each, those that end one. */
function followers(source: string) {
  const text = source
    .split('\n')
    .filter((line) => line !== '' && !/^[@#>{*-]/.test(line))
    .map((line) => line.replace(/\{[^}]*\}|\[[^\]]*\]|[*_~“”"()]/g, ''))
    .join(' ');
  const list = text.split(/\s+/).filter((word) => /^[A-Za-z][A-Za-z’'-]*[,;:.?!]?$/.test(word));
  const starts: string[] = [];
  const ends: string[] = [];
  const after = new Map<string, string[]>();
  list.forEach((word, k) => {
    const before = list[k - 1] ?? '.';
    if (/[.?!]$/.test(before)) {
      if (/^[A-Z]/.test(word) && !/[.?!]$/.test(word)) starts.push(word);
    } else if (after.has(before)) after.get(before)!.push(word);
    else after.set(before, [word]);
    if (/[.?!]$/.test(word)) ends.push(word);
  });
  return { starts, after, ends };
}
