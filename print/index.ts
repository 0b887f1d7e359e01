export { pdfOf, type PrintOptions } from './pdf';
