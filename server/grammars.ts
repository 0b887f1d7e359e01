export { nodeGrammars } from '@/grammars/node';
