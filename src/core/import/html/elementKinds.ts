// Elements of HTML by what a reader of copy does with them.
export const HEADING = /^h([1-6])$/;
export const SKIPPED = new Set([
  'head',
  'title',
  'base',
  'link',
  'meta',
  'colgroup',
  'col',
  'rp',
  'rt',
  'source',
  'track',
]);
export const HOSTILE = new Set([
  'script',
  'style',
  'template',
  'iframe',
  'object',
  'embed',
  'applet',
  'input',
  'button',
  'select',
  'option',
  'datalist',
  'textarea',
  'output',
  'meter',
  'progress',
  'svg',
  'math',
  'canvas',
  'audio',
  'video',
]);
export const BLOCKS = new Set([
  ...['p', 'div', 'section', 'article', 'main', 'header', 'footer', 'aside', 'nav', 'body', 'html', 'figure'],
  ...['figcaption', 'blockquote', 'ul', 'ol', 'li', 'dl', 'dt', 'dd', 'pre', 'table', 'hr', 'address', 'center'],
  ...['details', 'summary', 'h1', 'h2', 'h3', 'h4', 'h5', 'h6', 'hgroup', 'caption', 'fieldset'],
]);
