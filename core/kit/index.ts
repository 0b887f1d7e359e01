export * from './item';
export * from './needs';
export * from './stock';
