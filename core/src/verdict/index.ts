export { simulate, type SimulateInput, type Spread, type Variable, type Expression } from './simulate.ts';
export { compare, OPTIONS, type Verdict, type CostByShare, type VerdictOption } from './compare.ts';
export { elementsOf, isBought, isCutIn, isLetIn, isMade, keepsPanel, type Element, type OptionId } from './elements.ts';
export { houseDefaults, type House, type Rates, type Repair, type RepairZone } from './repair.ts';
export { portfolio, type CarPlan, type Portfolio, type PortfolioInput, type PortfolioOption } from './portfolio.ts';
export { calibrate, nextFactor, type Calibration } from './calibrate.ts';
