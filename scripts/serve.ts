// What the modules were written in would be held in memory beside each, for traces that nobody reads here.
process.setSourceMapsEnabled(false);
await import('../src/serve/serve');
export {};
