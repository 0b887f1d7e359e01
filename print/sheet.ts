/** A document that is being written. */
export type Sheet = PDFKit.PDFDocument;
