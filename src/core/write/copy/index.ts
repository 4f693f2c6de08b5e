export { COPY_KINDS, writeCopy, type CopyKind } from './writeCopy';
export { writeDocx } from './writeDocx';
export { writeHtml } from './writeHtml';
export { writeMarkdown } from './writeMarkdown';
export { writePlainText } from './writeText';
