export { writeDocx } from './writeDocx';
export { writeHtml } from './writeHtml';
export { writeMarkdown, writePlainText } from './writeText';
