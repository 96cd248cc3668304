declare module 'pdfjs-dist/legacy/build/pdf.worker.min.mjs';
