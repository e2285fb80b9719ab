import { arcFault } from './rules/arcFault.js';
import { asLaidOut } from './rules/asLaidOut.js';
import { bathroomCircuit } from './rules/bathroomCircuit.js';
import { borrowedNeutral } from './rules/borrowedNeutral.js';
import { boxAccessible } from './rules/boxAccessible.js';
import { boxSetBack } from './rules/boxSetBack.js';
import { boxVolume } from './rules/boxVolume.js';
import { bundledCables } from './rules/bundledCables.js';
import { cablePlaces } from './rules/cablePlaces.js';
import { cablesAlongFraming } from './rules/cablesAlongFraming.js';
import { cableSecured } from './rules/cableSecured.js';
import { circuitLoad } from './rules/circuitLoad.js';
import { circuitsInBox } from './rules/circuitsInBox.js';
import { closetLuminaires } from './rules/closetLuminaires.js';
import { conductorsTogether } from './rules/conductorsTogether.js';
import { conductorToBreaker } from './rules/conductorToBreaker.js';
import { dimmerLoad } from './rules/dimmerLoad.js';
import { driverBox } from './rules/driverBox.js';
import { electronicNeutral } from './rules/electronicNeutral.js';
import { fanSupport } from './rules/fanSupport.js';
import { freeConductor } from './rules/freeConductor.js';
import { crawlSpace } from './rules/crawlSpace.js';
import { garageCircuit } from './rules/garageCircuit.js';
import { groundColour } from './rules/groundColour.js';
import { groundFaultSide } from './rules/groundFaultSide.js';
import { groundingStrap } from './rules/groundingStrap.js';
import { groundSize } from './rules/groundSize.js';
import { groundsJoined } from './rules/groundsJoined.js';
import { groupWorks } from './rules/groupWorks.js';
import { holesInFraming } from './rules/holesInFraming.js';
import { laundryCircuit } from './rules/laundryCircuit.js';
import { cableLeftLive } from './rules/leftLive.js';
import { luminaireGrounded } from './rules/luminaireGrounded.js';
import { luminaireSupport } from './rules/luminaireSupport.js';
import { metalBoxBonded } from './rules/metalBoxBonded.js';
import { multiwire } from './rules/multiwire.js';
import { neutralAtSwitch } from './rules/neutralAtSwitch.js';
import { neutralColour } from './rules/neutralColour.js';
import { neutralOneCircuit } from './rules/neutralOneCircuit.js';
import { oldInsulation } from './rules/oldInsulation.js';
import { oldPattern } from './rules/oldPattern.js';
import { oneWireAScrew } from './rules/oneWireAScrew.js';
import { outletCovers } from './rules/outletCovers.js';
import { parallelPaths } from './rules/parallelPaths.js';
import { receptacleOutdoors } from './rules/receptacleOutdoors.js';
import { receptacleProtected } from './rules/receptacleProtected.js';
import { recessedLuminaires } from './rules/recessedLuminaires.js';
import { reidentifiedWhite } from './rules/reidentifiedWhite.js';
import { requiredLight } from './rules/requiredLight.js';
import { sheathInBox } from './rules/sheathInBox.js';
import { shellOnNeutral } from './rules/shellOnNeutral.js';
import { smallApplianceCircuit } from './rules/smallApplianceCircuit.js';
import { splices } from './rules/splices.js';
import { stairDimmers } from './rules/stairDimmers.js';
import { stairSwitches } from './rules/stairSwitches.js';
import { strangeWire } from './rules/strangeWire.js';
import { switchHeight } from './rules/switchHeight.js';
import { switchHotOnly } from './rules/switchHotOnly.js';
import { switchRating } from './rules/switchRating.js';
import { tamperResistant } from './rules/tamperResistant.js';
import { tenAmpere } from './rules/tenAmpere.js';
import { terminalTorque } from './rules/terminalTorque.js';
import { tubLuminaires } from './rules/tubLuminaires.js';
import { ungroundedExtension } from './rules/ungroundedExtension.js';
import { voltageDrop } from './rules/voltageDrop.js';
import { weatherproof } from './rules/weatherproof.js';
import { wetPlaces } from './rules/wetPlaces.js';
import { yokeGrounded } from './rules/yokeGrounded.js';
import type { Rule } from './rule.js';

/** Every rule, in the order of the trade: does it work, conductors, grounds, boxes, what is to be there, what to see on site. */
export const RULES: readonly Rule[] = [
  strangeWire,
  groupWorks,
  oldPattern,
  switchHotOnly,
  neutralAtSwitch,
  reidentifiedWhite,
  neutralColour,
  neutralOneCircuit,
  borrowedNeutral,
  multiwire,
  circuitsInBox,
  conductorsTogether,
  parallelPaths,
  conductorToBreaker,
  switchRating,
  dimmerLoad,
  electronicNeutral,
  tenAmpere,
  circuitLoad,
  voltageDrop,
  cableLeftLive,
  groundColour,
  groundsJoined,
  groundSize,
  metalBoxBonded,
  yokeGrounded,
  luminaireGrounded,
  ungroundedExtension,
  shellOnNeutral,
  boxVolume,
  driverBox,
  oneWireAScrew,
  asLaidOut,
  splices,
  tamperResistant,
  receptacleProtected,
  receptacleOutdoors,
  crawlSpace,
  boxAccessible,
  luminaireSupport,
  fanSupport,
  switchHeight,
  wetPlaces,
  tubLuminaires,
  cablePlaces,
  bundledCables,
  requiredLight,
  stairSwitches,
  stairDimmers,
  smallApplianceCircuit,
  bathroomCircuit,
  laundryCircuit,
  garageCircuit,
  arcFault,
  groundFaultSide,
  freeConductor,
  sheathInBox,
  cableSecured,
  holesInFraming,
  cablesAlongFraming,
  terminalTorque,
  boxSetBack,
  groundingStrap,
  weatherproof,
  closetLuminaires,
  recessedLuminaires,
  oldInsulation,
  outletCovers,
];
