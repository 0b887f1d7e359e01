import { readFileSync } from 'node:fs';
import { compileProgram } from '@/core/program';
import { shippedBoards } from '@/core/boards';
import { grammars } from '@/core/testing/beacon';
console.log(compileProgram(readFileSync(process.argv[2]!, 'utf8'), shippedBoards.get('learner-5v')!, grammars).failure);
