/** The model: what a job holds, and the boundary check of a job file. */
export {
  EDITIONS,
  isBetween,
  JOB_FORMAT,
  JUDGED_EDITIONS,
  jobShape,
  plannedWiring,
  runFactOf,
} from './model/job.js';
export { madeOnce } from './model/memo.js';
export { ROOM_KINDS } from './model/place.js';
export type { Access, Answer, Door, Level, Picture, Room, RoomKind, Route, WallFact } from './model/place.js';
export type { Amendment, Scope } from './model/amendment.js';
export type { Preferences } from './model/preferences.js';
export { labourSchema } from './model/labour.js';
export type { Labour } from './model/labour.js';
export { isolated, plainName } from './model/isolated.js';
export { ofId } from './model/records.js';
export {
  deviceInSlot,
  devicesInBox,
  findBox,
  findCable,
  boxesOfCircuit,
  circuitName,
  findCircuit,
  findDevice,
  findFeed,
  findGroup,
  findLevel,
  findLuminaire,
  findRoom,
  findSlot,
  emptyGroups,
  groupsOfCircuit,
  devicesByGang,
  luminairesInBox,
  luminairesOfGroup,
  lengthRestOf,
  type LengthRest,
  roughRooms,
  slotsInBox,
  slotsOfGroup,
} from './model/lookup.js';
export { wiringSchema } from './model/wiring.js';
export { articlesAt, boxesReached } from './model/wiring.js';
export { boxContentsSchema } from './model/contents.js';
export type { BoxContents } from './model/contents.js';
export type {
  Box,
  Choice,
  Circuit,
  Edition,
  Feed,
  Group,
  Job,
  JudgedEdition,
  Luminaire,
  ExistingCable,
  Run,
  RunFact,
  Slot,
  WiringDoc,
} from './model/job.js';
export { jobSchema } from './model/references.js';
export {
  newBox,
  newCircuit,
  newFeed,
  newGroup,
  newJob,
  newLuminaire,
  newRoom,
  newRunFact,
  USUAL_LUMINAIRE,
  newSlot,
  newWiringDoc,
} from './model/newJob.js';
export { PANEL, UNKNOWN_PLACE, jobIdSchema, placeOfNode, placeSchema, returnPlaceOf } from './model/ids.js';
export type {
  ArticleId,
  BoxId,
  CableId,
  CircuitId,
  DeviceId,
  DoorId,
  FeedId,
  GroupId,
  JobId,
  JointId,
  LevelId,
  LuminaireId,
  PictureId,
  Place,
  RoomId,
  SlotId,
  TreePlace,
} from './model/ids.js';
export { articleOf, articleSchema, articlesOf, conductorsOf, wiresAlike } from './model/articles.js';
export { facesOf, withFace } from './edits/faces.js';
export { hueOf } from './model/colours.js';
export { lookOf } from './drawing/insulation.js';
export { HUES, isGroundColour, isNeutralColour, MARK_COLOURS } from './model/colours.js';
export type { Colour, Hue, InsulatedColour } from './model/colours.js';
export { cablesIn } from './model/inBox.js';
export type {
  Article,
  ArticleOf,
  BoxArticle,
  Inside,
  CableArticle,
  ConnectorArticle,
  DeviceArticle,
} from './model/articles.js';
export { cubicInches, dollars, feetInches, parseFeetInches } from './model/units.js';
export type { Awg } from './model/units.js';
export { endKey, placeOfEnd, terminalKey } from './model/wiring.js';
export type { Cable, Device, End, Joint, Landing, Member, Terminal, Wiring } from './model/wiring.js';

/** The generic stock that a new job starts from. */
export { standardStock } from './materials/standardStock.js';

/** What a wiring takes: materials, cuts, coils, minutes, cost. */
export { estimate } from './materials/estimate.js';
export type { Estimate } from './materials/estimate.js';
export { takeOff } from './materials/takeOff.js';
export type { MaterialKind, TakeOff, TakeOffLine } from './materials/takeOff.js';
export { placeBox } from './edits/placeBox.js';
export { beginPlace, circuitBegun, type PlaceAsked } from './edits/everyday/beginPlace.js';
export {
  EVERYDAY,
  type EverydayId,
  type EverydayPlace,
  type EverydayPower,
} from './edits/everyday/places.js';
export { sayWhatItIs } from './edits/whatItIs.js';
export type { Found } from './edits/whatItIs.js';
export { cutList } from './materials/cutList.js';
export type { Cut, CutConductor } from './materials/cutList.js';
export { coilPlans, packCoils } from './materials/coilPlan.js';
export type { Coil, CoilPlan, LongCut } from './materials/coilPlan.js';
export { labourOf } from './materials/labourOf.js';
export type { LabourEstimate, LabourLine, Work } from './materials/labourOf.js';
export { cutLength, estimateRun } from './materials/lengths.js';
export type { CutLength } from './materials/lengths.js';

/** Layout: rooms, doors and places, and every edit of them. */
export { ceilingOf } from './model/ceiling.js';
export { doorsOf, roomsOfDoor } from './layout/doorsOf.js';
export { holdOf } from './layout/holds.js';
export type { Hold } from './layout/holds.js';
export {
  addLevel,
  changeLevel,
  levelsOf,
  levelView,
  numbered as unusedName,
  onLevel,
  removeLevel,
} from './edits/levels.js';
export { addPicture, changePicture, movePicture, removePicture, scalePicture } from './edits/pictures.js';
export { layoutFaults } from './layout/faults.js';
export type { LayoutFault } from './layout/faults.js';
export {
  addDoor,
  addRoom,
  changeDoor,
  changeRoom,
  latchSpot,
  moveDoor,
  moveRoom,
  notchCorner,
  pushWall,
  removeDoor,
  removeRoom,
  setWallFact,
  setWallLength,
  switchesToLatch,
} from './edits/roomEdits.js';
export {
  addLuminaire,
  freeWallSpot,
  type CeilingLoad,
  addPlainBox,
  addSwitch,
  changeBox,
  evenSpots,
  moveBox,
  nextSwitchSpot,
  setDistance,
  setHeight,
} from './edits/placeEdits.js';
export {
  addCircuit,
  addExistingCable,
  addFeed,
  addGroup,
  controlBy,
  gangInto,
  removeExistingCable,
  setCableCircuit,
  moveGang,
  ungang,
} from './edits/control.js';
export { withoutBox, withoutFeed, withoutGroup, withoutLoad, withoutSlot } from './edits/removals.js';
export {
  alongWall,
  distance,
  extentOf,
  floorArea,
  isUpright,
  isWithin,
  nearestWall,
  pointOn,
  sideOf,
  spotOn,
  wallOfDoor,
  wallsOf,
} from './layout/walls.js';
export type { Spot, Wall } from './layout/walls.js';

/** Planning: from a job with its choices to one wiring, or the reasons why not. */
export { cablesFor } from './planning/carriers.js';
export { planJob } from './planning/planJob.js';
export type { CircuitPlan } from './planning/planCircuit.js';
export type { PlanProblem } from './planning/problem.js';
export { sayProblem } from './planning/sayProblem.js';
export { draftOf, withDraft, withoutCircuit } from './edits/circuitDraft.js';
export type { CircuitDraft, DraftPlace } from './edits/circuitDraft.js';

/** The simulator: a wiring alone, in any handle positions. */
export { compile } from './circuit/compile.js';
export { conductorKey, jointKey, memberKey, pigtailKey } from './circuit/keys.js';
export { createCableCurrents, netCurrent } from './circuit/cableCurrents.js';
export type { CableCurrents } from './circuit/cableCurrents.js';
export { createTracer } from './circuit/trace.js';
export type { Trace, TracePiece } from './circuit/trace.js';
export { ungroundedParts } from './circuit/groundContinuity.js';
export type { MetalPart } from './circuit/groundContinuity.js';
export type { Compiled } from './circuit/compile.js';
export { evaluate } from './circuit/evaluate.js';
export type { LuminaireState, NetState, Short, State } from './circuit/evaluate.js';
export type { Positions } from './circuit/parts.js';
export { createSweep } from './circuit/sweep.js';
export type { SweepVerdict } from './circuit/sweep.js';
export { solveCurrents } from './circuit/currents.js';
export { circuitsByNet, rolesOf } from './circuit/roles.js';
export type { Role } from './circuit/roles.js';
export { drawMakeUp, hangingLoose } from './practice/makeUp.js';
export type { MakeUp, MakeUpAsked } from './practice/makeUp.js';
export { drawToMeasure, type ToMeasure } from './practice/toMeasure.js';
export { MAKE_UP_LEVELS, positionsOf, type MakeUpLevel } from './practice/levels.js';
export { drawHiddenFault, type HiddenFault } from './practice/hiddenFault.js';
export { finderWay, type FinderWay } from './practice/finderWay.js';
export { drawJudging, type AskedRule, type Judging } from './practice/judging.js';
export { drawSizing, judgeSizing, type Sizing } from './practice/sizing.js';
export { notAnExercise, readExercise, writeExercise } from './practice/exerciseFile.js';
export type { ExerciseRead, SharedExercise } from './practice/exerciseFile.js';
export { habitsOf, landedSince } from './practice/habits.js';
export { DEAD_TESTS, type DeadTest } from './practice/deadTest.js';
export { COURSE, dayOf, nextOf, RETURNS, skillKey, standingsOf } from './practice/course.js';
export type { Standing } from './practice/course.js';
export {
  drawPlanIt,
  judgePlanIt,
  layCables,
  WELL_LAID,
  type Laid,
  type PlanIt,
  type PlanItAsked,
} from './practice/planIt.js';
export {
  drawWhichWire,
  judgeWhichWire,
  readsThrough,
  wiresWay,
  type Led,
  type LinkReading,
  type WhichWire,
} from './practice/whichWire.js';
export { NOT_PRACTISED, practiseCircuit, type OwnCircuit } from './practice/ownCircuit.js';
export { hintOf, judgeMakeUp } from './practice/judgeMakeUp.js';
export type { MakeUpHint, MakeUpVerdict, PracticeFault } from './practice/judgeMakeUp.js';
export { everyPosition, grayWalk, somePositions } from './proving/positions.js';
export { devicesOfGroup, proveGroup, wiringOrEmpty } from './proving/works.js';
export type { GroupProof } from './proving/works.js';
export { truthTable } from './proving/truthTable.js';
export type { TruthRow, TruthTable } from './proving/truthTable.js';

/** Code rules and box fill. */
export { fillOf } from './materials/boxContents.js';
export {
  boxCandidates,
  boxRow,
  FILL_PARTS,
  partOfLine,
  sayMore,
  setBoxArticles,
  smallestBox,
  type BoxCandidate,
  type BoxRow,
  type FillPart,
  type SmallestBox,
} from './materials/boxRows.js';
export { cautionsAt } from './steps/cautions.js';
export { jacketOf, type Jacket } from './words/jackets.js';
export { placeName, placeTag, sayRough } from './words/places.js';
export { LIVE as LIVE_CAUTION } from './words/cautions.js';
export { cableTold, cableWord, isUntoldFeed } from './words/cables.js';
export { placeOnFace, tellsApart, type FacePart, type ScrewColour } from './model/face.js';
export { sayFirst, sayProof } from './plans/proof.js';
export { UNKNOWN_FILL, sayFill } from './words/fill.js';
export { boxFill } from './nec/boxFill.js';
export { roomForCable, sayRoomLeft } from './nec/room.js';
export type { BoxFill, FillLine } from './nec/boxFill.js';
export { sayFillLine } from './words/fill.js';
export { compareEditions, inspect } from './code/inspect.js';
export { findingKey } from './code/rule.js';
export { findingsByPlace, nameOfAt, sayPlaces } from './code/byPlace.js';
export { isGrave, WALKS } from './code/rule.js';
export type { Walk } from './code/rule.js';
export type { PlaceFindings } from './code/byPlace.js';
export type { Comparison } from './code/inspect.js';
export type { At, Finding, FindingAction, FindingKind, RuleFacts, Severity } from './code/rule.js';
export { editionName, eraWord } from './words/eras.js';
export { LIGHT_WORDS } from './words/lights.js';
export { listed } from './words/lists.js';
export { titleOf } from './words/said.js';
export { screwWord } from './words/screws.js';
export { colourWord, deviceWord } from './words/wires.js';
export { deviceIdOf } from './planning/makeUp.js';
export { sayTraveler, travelerNames, type NamedTraveler } from './words/travelers.js';
export { RULES } from './code/rules.js';
export { answerOf, answerQuestion, questionOf, ROOM_WORDS } from './code/questions.js';
export type { Question, QuestionKind } from './code/questions.js';
export { remediesFor } from './review/remedies.js';

export { setInside } from './edits/stockEdits.js';
export { boxToScale, type BoxToScale, type ScaleLayer } from './drawing/boxToScale.js';
export { STANDARD_BOXES, STANDARD_FORMS, standardBoxOf } from './nec/standardBoxes.js';
export type { StandardForm } from './nec/standardBoxes.js';

export { countedWires } from './drawing/countedWires.js';
export type { CountedWires } from './drawing/countedWires.js';

/** A wall as it is seen from its room, and a photograph laid on it. */
export { wallDistances, wallFace } from './drawing/wallFace.js';
export type { WallDistance, WallFace } from './drawing/wallFace.js';
export { homographyOf, lieAlike, seenAt } from './drawing/homography.js';
export type { Homography, Pair } from './drawing/homography.js';

/** A job as an inspector walks it. */
export { countWalk, walkThrough } from './check/walk.js';
export type { Stop, WalkCount, WalkRoom } from './check/walk.js';
export { readiness } from './check/readiness.js';
export { seenStates, siteItems } from './check/siteItems.js';
export type { Seen, SiteItem } from './check/siteItems.js';
export { inspectionBook } from './check/inspections.js';
export type { Correction, InspectionBook } from './check/inspections.js';
export { answerAlike, openQuestions, tryAnswers } from './check/answers.js';
export { questionTables, type QuestionRow, type QuestionTable } from './check/questionTables.js';
export { pricedRemedies, takeTogether } from './check/remedyPrices.js';
export type { PricedRemedy, TakenTogether } from './check/remedyPrices.js';
export { outcomeOfChange } from './check/outcome.js';
export { notToHave } from './check/notToHave.js';
export { replaced, replacementsOf } from './check/replaced.js';
export { boxOrWay, type BoxAlternative } from './check/boxOrWay.js';
export { smallerBox } from './check/smallerBox.js';
export type { SmallerBox, SmallerOffer } from './check/smallerBox.js';
export type { Outcome } from './check/outcome.js';
export { inspectorSheet } from './check/sheet.js';
export type { InspectorSheet } from './check/sheet.js';
export type { Remedy } from './review/remedies.js';
export { reviewCircuit, reviewInSteps, reviewJob } from './review/reviewJob.js';
export type { CircuitReview, JobReview } from './review/reviewJob.js';
export { reviewWiring } from './review/subject.js';
export { compileKnown } from './review/subject.js';
export type { Subject as ReviewedWiring } from './review/subject.js';
export { summariseJob } from './review/jobSummary.js';
export type { CircuitSummary, JobSummary } from './review/summarySchema.js';

/** The job file. */
export { readJob, writeJobFile } from './formats/jobFile.js';
export { parseJobFile } from './formats/jobText.js';
export type { ReadResult } from './formats/jobFile.js';
export { parseJson } from './formats/documents.js';
export type { FileFault, Read } from './formats/documents.js';

/** The other formats, and the JSON Schema of each. */
export {
  countOf,
  isWorksheet,
  newWorksheet,
  readWorksheet,
  smallestForWorksheet,
  withCount,
  worksheetFill,
  WORKSHEET_SIZES,
} from './formats/worksheet.js';
export type { Worksheet, WorksheetCount } from './formats/worksheet.js';
export { withWorksheetBox } from './formats/boxOfWorksheet.js';
export { FORMATS, jsonSchemaOf } from './formats/jsonSchemas.js';
export type { FormatName } from './formats/jsonSchemas.js';

/** Drawings: geometry of an opened box and of the run, from the wiring alone. */
export { drawBox } from './drawing/boxDrawing.js';
export {
  LABEL,
  LABEL_SIZE,
  type BoxDrawing,
  type DrawnBond,
  type DrawnCable,
  type DrawnConnector,
  type DrawnFixture,
  type DrawnJumper,
  type DrawnPin,
  type DrawnWire,
  type Order,
} from './drawing/geometry.js';
export { drawStrip, leadsBack, rowsUnderArcs } from './drawing/runStrip.js';
export type { RunStrip, StripEdge, StripNode } from './drawing/runStrip.js';
export {
  addPlace,
  changePlace,
  movePlace,
  newDraft,
  newPlace,
  powerEntry,
  removePlace,
  setPowerEntry,
} from './edits/draftEdits.js';
export type { CircuitStart } from './edits/draftEdits.js';
export { sketchRun } from './drawing/sketchRun.js';
export type { RunSketch } from './drawing/sketchRun.js';
export { spiceNetlist } from './formats/spice.js';
export type { SpiceNetlist } from './formats/spice.js';

/** Finding plans: every sensible way to wire a circuit, the best proved, each measured and compared. */
export { findPlans } from './plans/findPlans.js';
export { cheapestOf } from './plans/candidates.js';
export { leastSaid } from './plans/leastSaid.js';
export { JUDGEMENT_REASONS, JUDGEMENT_WORDS } from './plans/judgementWords.js';
export { judgementSchema, type Judgement } from './model/judgement.js';
export { priceOfPlan, type Judged } from './plans/judgedPlan.js';
export type { FamiliarResult, FindOptions, PlanSet, ProfileResult } from './plans/findPlans.js';
export { isChosen, wiredChoice } from './plans/candidates.js';
export type { Candidate } from './plans/candidates.js';
export { withChoice } from './plans/withChoice.js';
export { laidRuns, measureWired } from './plans/measures.js';
export type { Advantage } from './plans/compare.js';
export type { CostShare } from './plans/baseline.js';
export type { LaidRun, Measures } from './plans/measures.js';
export { forAndAgainst } from './plans/forAndAgainst.js';
export { nearestWays } from './plans/nearestWays.js';
export { LEFT_OUT, profileOf } from './plans/profiles.js';
export type { ProfileId } from './plans/profiles.js';
export { FAMILIAR_TITLES, type FamiliarId } from './plans/familiar.js';
export { forcedEntry, leastCostOf, setEntry, setRunFact } from './plans/constraints.js';
export { wireAll } from './plans/wireAll.js';
export { asksMore } from './plans/change/asStood.js';
export { leastChange } from './plans/change/leastChange.js';
export { emptyBoxes, switchedGroups } from './search/orders.js';
export { sayKeeping } from './plans/change/keeping.js';
export type { Keeping } from './plans/change/keeping.js';
export type { LeastChange, LeastChangeOutcome } from './plans/change/leastChange.js';
export type { Moved } from './plans/change/handwork.js';
export { changeBetween } from './plans/change/changeBetween.js';
export { plannedChange } from './plans/change/plannedChange.js';
export type { PlannedChange } from './plans/change/plannedChange.js';
export type { ChangeSide, WiringChange } from './plans/change/changeBetween.js';
export type { Change, Hung, NewPlace } from './plans/change/changes.js';
export type { Refusal } from './plans/refusal.js';
export type { Relaxed } from './plans/relaxations.js';

/** The search under the plans, for figures and for whoever wants one plan by weights of their own. */
export { choiceOf, createSearch } from './search/search.js';
export { leastCost, mastersChoice } from './search/prices/weights.js';
export { NO_CONSTRAINTS } from './search/orders.js';

/** Making up: the work order of a box, and a conductor followed in words. */
export { makeUpSteps } from './steps/makeUpSteps.js';
export { addOnwardFeed, addReceptacle, RECEPTACLE_HEIGHT, type TakenFrom } from './edits/hotEdits.js';
export { addLoad, LOAD_KINDS, loadKindOf, type LoadKind } from './edits/loads.js';
export { settleChain, settledChain, stateNeutral } from './edits/chains.js';
export { findPlansExpecting, type Expecting, type FoundPlans } from './plans/later/expecting.js';
export { laterTable, type LaterPrice, type LaterRow } from './plans/later/laterPrices.js';
export { expectLater, expectedOf, isExpected, latersOf, type Later } from './plans/later/laters.js';
export { sayLater, sayLaterHere, sayLaterRests, saySaved } from './plans/later/laterWords.js';
export { planAll, type Part as PlannedPart, type PlannedAll } from './plans/together/planAll.js';
export { namedWays, type NamedWay } from './plans/namedWays.js';
export { neutralVerdict, neutralWords, type NeutralVerdict } from './plans/neutralWords.js';
export { PHASE_WORDS, phasesAt } from './steps/step.js';
export type { BoxSteps, Phase, Step } from './steps/step.js';
export { otherFacesOf, withFaceOfBefore } from './formats/facesOfBefore.js';
export { boxInWords, sayBoxLine, type BoxLine } from './steps/boxInWords.js';
export { ROLE_WORDS, sayTrace, STATE_WORDS } from './steps/sayTrace.js';
export { findTerms } from './steps/glossary.js';
export type { Term } from './steps/glossary.js';
export type { SaidTrace } from './steps/sayTrace.js';

/** What server and page say to each other, and what happens on site. */
export { sayDifference } from './edits/sayDifference.js';
export { merge, type Clash, type Merged } from './edits/merge.js';
export {
  CONTRACT,
  DAYS_FOUND,
  FILE_PATHS,
  jobNewsSchema,
  LIST_MOST,
  listQuerySchema,
  newerRevisionSchema,
  pathOf,
  presentSchema,
  PROBLEM_CODES,
  problemSchema,
} from './wire/contract.js';
export type {
  Catalog,
  AccessRole,
  DeletedJob,
  OnTruck,
  PriceChange,
  Endpoint,
  EndpointName,
  JobHead,
  JobNews,
  LearnerHead,
  ListQuery,
  Me,
  PairedDevice,
  Present,
  Problem,
  ProblemCode,
  RevisionHead,
  MadeBy,
  StoredJob,
  TakenIn,
} from './wire/contract.js';
export { readPocketTicks, writePocketTicks } from './wire/pocketTicks.js';
export type { PocketTicks } from './wire/pocketTicks.js';
export { BITE_KINDS, bitesOf } from './tried/bites.js';
export type { Bite, BiteKind } from './tried/bites.js';
export { nextMoves, sayPositions } from './tried/moves.js';
export type { SheetMove } from './tried/moves.js';
export type { SheetPoint } from './tried/points.js';
export { sayBeside, sheetOf } from './tried/sheet.js';
export type { Sheet, SheetGroup, SheetRow } from './tried/sheet.js';
export { SIGN_STAGES, signedHash, signOffsOf, STAGE_WORDS, triedStates } from './tried/answers.js';
export type { SignOff, SignStage, Tried } from './tried/answers.js';
export { shortestWalk } from './tried/walk.js';
export { handleName, positionName } from './words/handles.js';
export {
  learnerSchema,
  MOST_SEED,
  BENCH_KINDS,
  BENCH_LEVELS,
  PLAN_LEVELS,
  practisedSchema,
  skillOf,
  type BenchKind,
  type PlanLevel,
  type Practised,
  type PracticeKind,
  type Skill,
} from './wire/practised.js';
export { drawsOf, isOf, liveRecords, RECORD_KINDS, siteRecordSchema, tickStates } from './wire/record.js';
export type { About, RecordKindName, SiteRecord, Ticked, TickState } from './wire/record.js';
export { digestOf } from './model/digest.js';
export { jobSummarySchema, SUMMARY_VERSION } from './review/summarySchema.js';
export { sketchPlace, type PlaceSketch } from './review/placeSketch.js';
export { differenceOf, inverted, withChanges } from './edits/difference.js';
export type { FieldChange } from './edits/difference.js';

export { assumedOf, existingDocument, unseenBoxes } from './model/existing.js';
export {
  beginExisting,
  cablesThere,
  findCableThere,
  lyingCables,
  othersIn,
  withCablesThere,
  withOthersIn,
  withStanding,
} from './model/lying.js';
export { hasDevice, hasLuminaire, isDeviceKept, isLuminaireKept, standingCircuits } from './model/there.js';
export { endsIn, staysShut } from './model/boxState.js';

/** Edits of a wiring, each of which may be refused; and how sure it then is. */
export { editWiring } from './edits/wiring/editWiring.js';
export type { EditParts, Edited, LooseWire, Put, WiringEdit, WiringRefusal } from './edits/wiring/edit.js';
export { sayWiringRefusal } from './edits/wiring/say.js';
export {
  beginBuilt,
  boxDigest,
  BUILT,
  confirmEnd,
  editDocument,
  signSeen,
  withDocument,
} from './edits/wiring/documents.js';
export type { DocumentEdited } from './edits/wiring/documents.js';

/** What is there and nobody planned: what is usual, as a first draft. */
export { assumeUsual } from './existing/assumeUsual.js';
export { usualWiring } from './existing/usualWiring.js';
export type { NotUsual, UsualFacts } from './existing/usualWiring.js';
export type { Habit } from './existing/usualNets.js';
export { splicesIn, type SpliceHere } from './existing/splicesIn.js';
export {
  endsOfKey,
  powerOf,
  putAt,
  tellPower,
  whereIs,
  whereMayBe,
  wiresIn,
} from './existing/whereabouts.js';
export type { Whereabouts, WireHere } from './existing/whereabouts.js';
export { foundName, numbered, withFoundCable } from './existing/foundCable.js';
export type { FoundCable } from './existing/foundCable.js';
export { isBeyond, strangeOf } from './nec/strangeWire.js';

/** What can be wrong with a wiring. */
export { faultsOf, withFault } from './faults/fault.js';
export type { AnywhereKind, Fault, FaultProblem } from './faults/fault.js';
export { HISTORIES } from './faults/hypotheses.js';
export type { History, Hypothesis } from './faults/hypotheses.js';
export { wiresOfFault } from './faults/inBox.js';
export { asItLooks } from './faults/asItLooks.js';
export { mendTrouble, sayPlace, sayTrouble } from './faults/say.js';
export { placeKey, withBreakerOff } from './faults/trouble.js';
export type { Trouble, TroublePlace } from './faults/trouble.js';

/** Looks for what is wrong with a circuit. */
export { createFinder } from './diagnosis/finder.js';
export type { Asking, Diagnosis, Finder, Suspect } from './diagnosis/finder.js';
export { ANSWERS, observationSchema, questionKey, seenSchema } from './diagnosis/question.js';
export { scopeOf } from './diagnosis/scope.js';
export type {
  Observation,
  Question as FaultQuestion,
  Reply,
  Seen as SeenLight,
} from './diagnosis/question.js';
export { seenOnSheet, SAW_TRIPPED } from './tried/asSeen.js';
export { bitesTogether } from './tried/bitesTogether.js';
export { beforePower } from './tried/beforePower.js';
export type { BeforePower, DeadMistake, NotBeforePower } from './tried/beforePower.js';
export type { DeadReading } from './tried/deadReadings.js';
export { tellScrews, UNMARKED } from './diagnosis/unmarked.js';
export type { ScrewReading, ScrewsTold, Unmarked } from './diagnosis/unmarked.js';
export { tellDiagnosis } from './diagnosis/told.js';
export type { DiagnosisTold, QuestionTold, SuspectTold } from './diagnosis/told.js';
export { sayObservation, sayQuestion } from './diagnosis/words.js';
export type { QuestionWords } from './diagnosis/words.js';

/** Meters that are put on a wiring. */
export { continuity, highImpedance, nonContact, outletTester, twoPole } from './meters/meters.js';
export { readMeters, readOutlets } from './meters/readings.js';
export type { Readings } from './meters/readings.js';
export {
  findStub,
  linksOf,
  LAID,
  pairsOf,
  restPairsOf,
  tapeKey,
  wireReadingSchema,
  wiresFoundSchema,
  type Link as WireLink,
  type Pair as WirePair,
  type WirePoint,
  type Stub,
  type Tape,
  type WireQuestion,
  type WireReading,
  type WireReply,
  type WiresFound,
} from './identify/found.js';
export { identifyWires, type EndTold, type WiresTold } from './identify/identify.js';
export { withWiresTold, type NotOnFile } from './identify/toExisting.js';
export { CAME_OUT, tellCameOut, type CameOut, type HotReading, type WireDuty } from './identify/cameOut.js';
export { sayEnd, sayUsual, sayWireReading, tagOfWire } from './identify/say.js';
export { usualDuties, type UsualDuty } from './identify/usual.js';
export {
  pairWord,
  sayOpening,
  sayWireQuestion,
  tapeWord,
  type WireQuestionWords,
  type WiresSubject,
} from './identify/words.js';
export { keyWord } from './words/keys.js';
export type { OutletReading, Volts } from './meters/meters.js';
export type { Result } from './model/result.js';
export { noPowerAt, sayNoPower } from './existing/powerAt.js';
export { tapOf, tapTold } from './model/tap.js';
export { sourceCaution, tappedBy, TAPPED_SOURCES, withTapped } from './words/source.js';
export type { TappedSource } from './words/source.js';

/** What to buy, cut, carry and ask for. */
export { AISLES } from './model/order.js';
export type { Aisle, ExtraLine, Terms } from './model/order.js';
export {
  departsIn,
  shopDefaultsSchema,
  amendmentsMissing,
  usualDefaults,
  withAmendmentsOf,
  withShopDefaults,
  type ShopDefaults,
} from './model/shopDefaults.js';
export { articlesToHave } from './model/articles.js';
export { isIn, partOf, type OrderPart } from './order/part.js';
export { orderLines, type OrderLine, type OrderList } from './order/orderLines.js';
export { feetWord } from './order/units.js';
export { pullingOrder, tagNumbers, withNumbers } from './order/pulling.js';
export { cutHash, cutStates, type CutState } from './order/siteCuts.js';
export {
  customerSum,
  labourShare,
  materialUsed,
  type CustomerSum,
  type LabourShare,
} from './order/customerSum.js';
export {
  boxSheet,
  csvOf,
  cutSheet,
  tagSheet,
  tagsOf,
  takeOffSheet,
  type SheetRows,
  type Tag,
} from './order/sheets.js';
export {
  addExtra,
  removeExtra,
  setAbsent,
  setFromTruck,
  setTruckShare,
  setLuminairePrice,
  setTerms,
} from './edits/orderEdits.js';
export {
  catalogSheet,
  readCatalogSheet,
  type ArticleChange,
  type SheetFault,
  type SheetRead,
} from './shop/catalogSheet.js';
export { pricesSince, withPrices, type PriceSince } from './shop/oldPrices.js';
