// One file of an ebook as XHTML.
import { escapeXml } from '../../base/xml';
import { directionOfLanguage } from '../../copy/direction';

/** `title`: escaped words. */
export function xhtmlPage(title: string, body: string, tag: string): string {
  const language = escapeXml(tag);
  const dir = directionOfLanguage(tag) === 'rtl' ? ' dir="rtl"' : '';
  return `<?xml version="1.0" encoding="UTF-8"?>
<!DOCTYPE html>
<html xmlns="http://www.w3.org/1999/xhtml" xmlns:epub="http://www.idpf.org/2007/ops" lang="${language}" xml:lang="${language}"${dir}>
<head><title>${title || '·'}</title><link rel="stylesheet" type="text/css" href="book.css"/></head>
<body>
${body}
</body>
</html>
`;
}
