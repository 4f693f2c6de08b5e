// Settings of the Spec that the search knows: the topic, the label of the control or of the group that holds it, and other
// words that typesetters use for it.

export interface SettingEntry {
  readonly topic: string;
  /** The label that stands beside the control, or the title of its group. */
  readonly label: string;
  /** The title of the group, where a topic has the label twice. */
  readonly group?: string;
  /** Synonyms and what the setting is part of, in small letters. */
  readonly words: string;
}

const under =
  (topic: string, group?: string) =>
  (label: string, words = ''): SettingEntry => ({ topic, label, words, ...(group !== undefined && { group }) });

const trim = under('page', 'Trim');
const margins = under('page', 'Margins');
const page = under('page');
const text = under('text');
const styles = under('styles');
const chapters = under('openers', 'Chapters');
const openers = under('openers');
const furniture = under('furniture');
const notes = under('notes');
const numbers = under('numbers');
const contents = under('contents');
const spacing = under('spacing');
const tables = under('tables');
const inks = under('inks');
const faces = under('faces');
const specs = under('specs');

export const SETTINGS: readonly SettingEntry[] = [
  trim('Trade size', 'trim size page size format'),
  trim('Width', 'trim width page width'),
  trim('Height', 'trim height page height'),
  trim('Orientation', 'landscape portrait'),
  trim('Pages', 'facing pages single pages spreads mirrored'),
  margins('Head', 'head margin top margin'),
  margins('Foot', 'foot margin bottom margin'),
  margins('Back', 'back margin inner margin inside gutter'),
  margins('Fore-edge', 'fore-edge margin outer margin outside'),
  page('Margins from', 'canon of margins type area ratio'),
  page('Binding allowance', 'binding gutter creep back margin'),
  under('page', 'Columns')('Columns', 'two columns number of columns'),
  page('Exceptions for', 'columns of a division own page of a role'),
  under('page', 'Bleed')('At the head', 'bleed'),
  page('Sheet edge', 'room beyond the bleed printer’s marks'),
  page('Guides', 'ruler guides'),
  page('Lengths in', 'units inches millimetres points picas'),
  page('Pixels in an inch', 'resolution dpi'),
  text('Face', 'font typeface text face'),
  text('Size', 'type size body size point size'),
  text('Leading', 'line spacing line height baseline grid'),
  text('Indent', 'first-line indent paragraph indent'),
  text('Setting', 'justified ragged alignment'),
  text('Last line, at least', 'short last line runt'),
  text('Depth of the rag', 'ragged right rag'),
  text('Letter-width tolerance', 'font expansion narrower wider letters'),
  text('Letter-space tolerance', 'tracking letterspacing'),
  text('Hanging punctuation', 'protrusion optical alignment'),
  text('Divide words', 'hyphenation hyphenate'),
  text('Shortest word divided', 'hyphenation smallest word'),
  text('Letters before the hyphen', 'hyphenation minimum prefix'),
  text('Letters after the hyphen', 'hyphenation minimum suffix'),
  text('Hyphens in a row, at most', 'ladder consecutive hyphens hyphenation'),
  text('Capitalised words', 'hyphenation capitals proper names'),
  text('Exceptions of this book', 'hyphenation exceptions dictionary'),
  text('House marks', 'quotes quotation marks dashes ellipses smart quotes'),
  text('Stops after italic words', 'punctuation after italic'),
  text('Tie words by rule', 'non-breaking keep together'),
  text('Not tied', 'ties exceptions'),
  styles('Family', 'style face font'),
  styles('Weight', 'bold style'),
  styles('Italic', 'slant style'),
  styles('Case', 'capitals small capitals title case'),
  styles('Tracking', 'letterspacing style'),
  styles('Baseline raised', 'baseline shift superscript'),
  styles('Ink', 'colour color of a style'),
  styles('Features', 'opentype features ligatures figures'),
  styles('Language', 'language of a style'),
  styles('Alignment', 'flush left flush right centre justify'),
  styles('Last line', 'alignment of the last line'),
  styles('First-line indent', 'indent of a style'),
  styles('Left indent', 'indent of a style'),
  styles('Right indent', 'indent of a style'),
  styles('Word space', 'justification spacing of a style'),
  styles('Tabs', 'tab stops leaders'),
  styles('Line numbers every', 'verse line numbers'),
  styles('Space above', 'space before paragraph spacing'),
  styles('Space below', 'space after paragraph spacing'),
  styles('Begins', 'page break before column break'),
  styles('Keep with next', 'keeps'),
  styles('Keep whole', 'keep together keeps'),
  styles('Drop capital', 'drop cap of a style initial'),
  styles('Lead-in', 'first words'),
  styles('Rule above', 'paragraph rule border'),
  styles('Rule below', 'paragraph rule border'),
  styles('Background', 'shading ground tint'),
  styles('Serves as', 'meaning heading level'),
  styles('Takes from', 'based on parent style'),
  styles('Followed by', 'next style'),
  chapters('Sink', 'chapter drop opener depth'),
  chapters('Text start', 'first line of a chapter'),
  openers('Fewer than', 'short pieces'),
  openers('Drop capital', 'drop cap initial'),
  openers('Opening words in small capitals', 'first words lead-in'),
  openers('Chapters begin', 'recto right-hand start new page'),
  furniture('Furniture', 'running heads headers footers'),
  furniture('Folios', 'page numbers roman numerals'),
  furniture('Sections', 'section names'),
  furniture('A range of pages', 'no head on pages furniture of pages suppress heads'),
  furniture('Page touches', 'exceptions of pages without head'),
  furniture('By page role', 'blank pages openers plates'),
  notes('Kinds of notes', 'footnotes endnotes margin notes'),
  notes('Placed', 'footnotes endnotes place'),
  notes('Signs', 'note numbers asterisks daggers'),
  notes('Numbering restarts', 'restart notes each page chapter'),
  notes('First number', 'notes start'),
  notes('Above the notes', 'footnote rule separator'),
  notes('Continued notes', 'separator of continued notes'),
  notes('Short notes', 'notes run on one line'),
  notes('On a short page', 'notes at the foot'),
  notes('Space above', 'footnotes'),
  notes('Gathered', 'endnotes under chapter titles'),
  notes('Heading at a division’s end', 'title of endnotes'),
  numbers('Heads', 'heading numbering chapter numbers section numbers'),
  numbers('Appendices', 'appendix letters'),
  numbers('Lists', 'numbered lists bullets'),
  contents('More heads', 'table of contents levels'),
  contents('Leader', 'dot leaders contents'),
  contents('Author line', 'contents authors'),
  contents('Sorted', 'index order letter by letter word by word'),
  contents('Ranges', 'index page ranges'),
  contents('Sub-entries', 'index'),
  contents('Letters', 'index letter heads'),
  contents('A supplied index', 'indexer'),
  spacing('Word space', 'justification minimum maximum'),
  spacing('Lines at a page’s foot', 'orphans'),
  spacing('Lines at a page’s head', 'widows'),
  spacing('A chapter’s last page', 'short last page'),
  spacing('Facing pages', 'vertical justification level feet'),
  spacing('Paragraphs may vary', 'loose tight lines copyfitting'),
  spacing('Short spreads', 'page a line short'),
  spacing('Long spreads', 'page a line long'),
  tables('Table style', 'tables look of tables'),
  under('tables', 'Rows')('Heads', 'table head row column heads'),
  tables('Totals', 'table total row'),
  tables('Every second row', 'table banding stripes tint shading'),
  tables('Over the table', 'table rules lines borders'),
  tables('Under the heads', 'table head rule line'),
  tables('Between rule and type', 'table white cell padding'),
  tables('Between columns', 'table columns gap'),
  under('tables', 'Where it goes on')('Heads', 'table repeat head rows'),
  tables('Said over it', 'table continued'),
  inks('The book is set in', 'ink set colours'),
  inks('Inks', 'colours spot colour tint plate'),
  faces('Faces', 'fonts typefaces'),
  faces('Add font files', 'bring fonts in'),
  faces('Replace a face', 'substitute font'),
  specs('This book’s spec', 'keep the spec template'),
  specs('Open a spec file', 'template'),
  specs('Starting specs', 'templates presets'),
];
