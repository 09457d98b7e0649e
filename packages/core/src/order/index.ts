/**
 * From choices to a list that can be ordered: which checks of a choice are **open**, which **answer** lets it be ordered all the same, and
 * the **lines** of parts in whole packs.
 */
export {
  type Answer,
  answerSchema,
  answerWords,
  CURE_IDS,
  CURES,
  type CureId,
  liftWords,
  lowerFirst,
  mayCure,
  type NewAnswer,
  NO_REASON_WORDS,
  newAnswerSchema,
  newAnswersSchema,
  takesReason,
  withAnswers,
} from './answers';
export {
  CONSENT_KINDS,
  type ConsentKind,
  type Consents,
  missingConsents,
  type NeededConsent,
  neededConsents,
} from './consents';
export { offersFor, type TakenOffer } from './offersFor';
export { covers, gravestOf, heldBackBecause, type OpenCheck, openChecks } from './openChecks';
export { type Need, type OrderLine, orderLines } from './orderLines';
