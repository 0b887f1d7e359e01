import dynamic from 'next/dynamic';

/** The list of scenarios, which comes behind the rest of the page: what reads its sentences weighs much and is wanted late. */
export const ScenarioList = dynamic(() => import('./ScenarioList').then(({ ScenarioList }) => ScenarioList));
