/** A file that a browser keeps, or opens where it can. */
const file = (name: string, type: string, body: BodyInit, how: 'attachment' | 'inline'): Response =>
  new Response(body, {
    headers: {
      'content-type': type,
      'content-disposition': `${how}; filename="${name}"`,
      'cache-control': 'no-store',
    },
  });

export const csvFile = (name: string, text: string): Response =>
  file(name, 'text/csv; charset=utf-8', text, 'attachment');

export const pdfFile = (name: string, pdf: Uint8Array): Response =>
  file(name, 'application/pdf', new Uint8Array(pdf), 'inline');

export const zipFile = (name: string, zip: Uint8Array): Response =>
  file(name, 'application/zip', new Uint8Array(zip), 'attachment');

export const calendarFile = (name: string, text: string): Response =>
  file(name, 'text/calendar; charset=utf-8', text, 'attachment');
