// Word documents for tests: the parts that matter, as a zip.
import { zipSync } from 'fflate';

const NAMESPACES =
  'xmlns:w="http://schemas.openxmlformats.org/wordprocessingml/2006/main" xmlns:mc="http://schemas.openxmlformats.org/markup-compatibility/2006"';
const encoder = new TextEncoder();

export interface DocxParts {
  readonly body: string;
  readonly styles?: string;
  readonly footnotes?: string;
  readonly endnotes?: string;
  readonly comments?: string;
  readonly core?: string;
}

export function docx(parts: DocxParts): Uint8Array {
  const part = (root: string, inner: string) =>
    encoder.encode(`<?xml version="1.0" encoding="UTF-8"?><w:${root} ${NAMESPACES}>${inner}</w:${root}>`);
  const members: Record<string, Uint8Array> = {
    'word/document.xml': part('document', `<w:body>${parts.body}</w:body>`),
  };
  if (parts.styles) members['word/styles.xml'] = part('styles', parts.styles);
  if (parts.footnotes) members['word/footnotes.xml'] = part('footnotes', parts.footnotes);
  if (parts.endnotes) members['word/endnotes.xml'] = part('endnotes', parts.endnotes);
  if (parts.comments) members['word/comments.xml'] = part('comments', parts.comments);
  if (parts.core) {
    members['docProps/core.xml'] = encoder.encode(
      `<cp:coreProperties xmlns:cp="c" xmlns:dc="d">${parts.core}</cp:coreProperties>`,
    );
  }
  return zipSync(members);
}

export const run = (text: string, properties = '') =>
  `<w:r>${properties ? `<w:rPr>${properties}</w:rPr>` : ''}<w:t xml:space="preserve">${text}</w:t></w:r>`;
export const para = (content: string, style = '') =>
  `<w:p>${style ? `<w:pPr><w:pStyle w:val="${style}"/></w:pPr>` : ''}${content}</w:p>`;
export const style = (id: string, name: string, rest = '') =>
  `<w:style w:type="paragraph" w:styleId="${id}"><w:name w:val="${name}"/>${rest}</w:style>`;
