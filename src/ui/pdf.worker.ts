// Reads PDF files for the page chooser: apart from the page, so that a bad file stops nothing there.
import 'pdfjs-dist/legacy/build/pdf.worker.min.mjs';
