/* What the desk shows of credits, fetched in one go. */
export { CreditSheet } from './CreditSheet';
export { CreditTools } from './CreditTools';
export { RollPanel } from './RollPanel';
