"""What every number of the API's answers is: an estimate with range and basis, or one of these, which need none.

A number that a model computes belongs in an ``Estimate``. One that is new here has to be told what it is.
"""

from __future__ import annotations

GIVEN = """
Asked: batter_c batter_g density_g_per_ml done_c oven_c water
BackupPlan: every_h
Bag: nozzle_mm
BakeStep: done_c oven_c
BoilStep: target_c
BoxDimensions: depth_mm length_mm width_mm
Check: boiling_c ice_c pressure_kpa
ChillStep: at_most_hours hours
Choice: grams
CoolStep: above_air_k
Could: oven_c
Cup: empty_g volume_ml
EggParts: count
FillStep: fill_fraction
FoldView: sacrifice_fraction
Good: cup_g density_g_per_ml pack_g piece_g piece_mm price_per_kg
GoodEntry: cup_g density_g_per_ml piece_g
HalfSphereDimensions: diameter_mm
HandStep: seconds
IngredientPortion: grams temperature_c
Kitchen: air_c altitude_m hand_per_h humidity_percent keeps_days measured_kpa out_of_cold_h
Layout: across_mm along_mm gap_mm length_mm margin_mm width_mm
LoafDimensions: bottom_length_mm bottom_width_mm depth_mm top_length_mm top_width_mm
MacaronageStep: target_g_per_ml
MeringueEntry: acid_percent sugar_to_white
Mixer: bowl_g bowl_ml
MixStep: overrun seconds
Oven: fall_k_per_min offset_k rise_k_per_min
OvenHeld: set_c
Paired: single_mm
PiecePair: larger_mm smaller_mm
PipedPiece: cord_mm gap_mm height_mm length_mm width_mm
PipeStep: nozzle_mm
PreheatStep: oven_c
RecoverStep: oven_c
ReferenceBake: density fill_mm minutes oven_c
RestStep: minutes
RollStep: core_mm sheet_mm
RoundDimensions: depth_mm diameter_mm top_diameter_mm
SkinStep: written_minutes
StandInsView: speed
StepPortion: fraction grams
StreamStep: until_c
TimedBake: batter_g fill_mm minutes oven_c
ToastStep: minutes oven_c
TubeDimensions: depth_mm diameter_mm top_diameter_mm tube_diameter_mm tube_top_diameter_mm
Vessel: diameter_mm height_mm
WallPoint: height_mm inner_mm outer_mm
WarmStep: target_c
CoolingRule: first_h from_c middle_c second_h to_c
CutStep: crust_mm dome_mm
HollowStep: lid_mm wall_mm
LineStep: wall_mm
PortionStep: edge_mm end_mm
SpreadStep: case_mm taper thickness_mm
TrimStep: edge_mm round_mm
StockItem: grams least_g pack_g price_per_kg
Wish: depth_mm eggs servings total_g whites_g
Limit: grams
"""
"""Entered by somebody, or a formula's own: told back as it was given."""

READ = """
CooledDown: first_h second_h
BakeSummary: height_mm late_by_s
BakeDifference: a b
ClockMoved: lead_s moved_s
CrumbForecast: core_c
DegreesStep: measured_c set_c
Dot: observed
DotView: observed
EggHeat: measured_peak_c
Held: measured_minutes
KeepingView: clock_lead_s
OutcomeRecorded: height_mm
OvenProfile: entered_offset_k period_s recovers_s
OvenSeen: mean_c period_s recovers_s rise_k_per_min swing_k
OvenTime: observed_s not_yet_s
PastBake: observed_min
ProbeView: celsius read_c
ReadingView: by_ribbon_s value
RoomView: percent
StandInView: flame probe_c spilt_g true_c
TimeStep: observed_min
TraceView: peak_c
Watch: beside_c now_c peak_c
OutOfCold: measured_s seconds
"""
"""Read off a scale, a clock or a thermometer (or its stand-in), in this kitchen."""

EXACT = """
TrendPoint: raw value
GoesTo: grams share
Offcut: grams left_g used_g
Allotment: rest_ml
Amount: grams
Baked: fill_mm
BakeLabel: weight_g
BakeState: speed
BowlNow: lost
ColourView: share_percent water_g
ComponentShare: grams
ComponentView: yield_g yield_ml
Composition: alcohol fat fibre other protein salt starch sugars water
Corrected: celsius water_boils_c
Cost: amount priced_g total_g
CupVolume: volume_ml
Density: density_g_per_ml
DepositTold: left_g piece_g
DepositView: left_g piece_g
Depth: now_mm own_minutes own_mm
Dissolution: sugar_to_white
EggNeed: exact left_white_g left_whole_g left_yolk_g white_g whole_g yolk_g
EggsOfTheDay: left_white_g left_yolk_g white_g whole_g yolk_g
Filling: each_g made_g total_g
FoldCourse: base_g_per_ml foam_g_per_ml sacrificed
ForecastView: factor servings total_g
Glance: hands_s total_g waiting_s
IngredientTotal: grams
Into: grams
Label: alcohol carbohydrate fat fibre protein salt sugars
Load: cover_s end_s start_s turn_s
Loads: ends_s hands_s
Loss: share
MaterialView: gas_free_density_g_per_ml mass_g temperature_c
Offer: per_gram water_per_gram
OnceMore: share
PaperDrawing: height_mm width_mm
PartPlan: additions density_g_per_ml mass_g share taken_g volume_ml
PatternView: left_g
PieceSeen: size_mm volume_share
Pour: inner_mm mass_g outer_mm
PutBack: sugar_g water_g
Ratio: value
ReadLine: count grams high_g left_g low_g stated sure
Rings: level_mm rim_mm tin_radius_mm tube_radius_mm
RoleShare: grams
Share: each_ml fill_fraction level_mm
SharingView: density_g_per_ml
Sieved: factor share top_up_g
SplitView: density_g_per_ml
StillToCome: grams
Stripe: from_deg mass_g to_deg width_mm
Taken: grams
TinDrawing: volume_ml
TinFill: fraction grams level_mm rim_mm volume_ml
TinView: capacity_ml fill_fraction good_g level_mm per_mm_g rim_mm volume_ml
TrayInLoad: dry_s piped_from_s piped_s rests_s too_long_s
Understood: value
Weighing: grams
AllocationView: density_g_per_ml gives_mm inside_g kept_g kept_share short_by_g total_g
Allotted: grams thickness_mm
DomeView: across_mm cavity_ml covers_mm height_mm lid_across_mm lid_ml outside_mm2 taken_out_ml wall_ml
RingView: disc_mm disc_trim_mm last_cut_mm room_mm trim_mm wall_mm
Layers: each_mm off_mm off_share
OutOfCold: left_s
Portions: each_g long_mm lost_g wide_mm
Region: grams thickness_mm
RollSeen: strain
RollView: diameter_mm filling_g length_mm strain thinnest_mm turns
SoakPlan: grams
DayCost: goods hands total
OrderCost: each goods hands hands_s priced_share total
IntoBowl: grams
OutOfTheCold: grams
EggOffer: grams
WeighedOnce: grams
ToBuy: amount buy_g left_g needed_g there_g
Shopping: amount
"""
"""Arithmetic of what was given: masses, volumes of shapes, levels of a batter whose density was given or is told."""

CHOSEN = """
AwaitedView: start_c
GateReached: to_c
AnswerView: first_look_min
Baked: done_c first_look_min
BakeView: done_c first_look_s oven_c
CarryView: early_min
ColourView: grams limit_g
ColumnMark: at_c
Cooled: c
CoolGate: to_c
EggHeat: guidance_c
FieldView: high low
Found: high low
Lever: water_g
Next: within_s
Painted: per_line_g
Pair: c minutes
Rescue: grams share
Saving: holds_s waits_s
Serves: high low
SkinView: too_long_s
StepForecast: first_look_s
Verdict: value
KeepsView: days frozen
OutOfCold: limit_h
RollView: bevel_mm end_mm slice_mm
"""
"""A limit, a guidance or a moment that was chosen: its table says why."""

DRAWN = """
TrendStretch: centre high low
Braid: end_s start_s
Column: band_high_c band_low_c beside_c now_c scale_high_c scale_low_c target_c
CoursePoint: brown core_c crust_mm dome_mm edge_c lost oven_c risen set surface_c t_s
Join: at_s volume_ml
Line: coolest_c hold_s hottest_c ratios usual_c
Mark: at_c in_s
Measure: first_mm
Occupied: end_s start_s
Piece: air_end air_start end_s hold_until_s start_s volume_end_ml volume_start_ml
Point: c s
Section: air_fraction level_mm rim_mm start_level_mm
Spot: x_mm y_mm
TraceView: high_c low_c target_c
Region: air_fraction x_mm y_mm
"""
"""Points and bands of a picture of estimates that stand beside it."""

WITHIN = """
CauseView: probability
Comparison: better
DiagnosisView: unlisted
BakeDifference: out spread
Shift: after before
Addition: added_g_per_ml bowl_g_per_ml kept mass_g
AnswerView: more_min
BakeState: late_by_s
Clash: waits_s
ComponentView: ready_before_s
CourseAddition: added_g_per_ml bowl_g_per_ml kept mass_g
CrumbForecast: faster
CupRead: density high low
DegreesStep: after_k after_sd_k trusted
DepositTold: piped_diameter_mm
DepositView: piped_diameter_mm
Dot: doubt modelled
DotView: modelled ratio trusted
Driver: seconds
HeatAnswer: kj_per_k
HotSide: k_per_grade places_k spread_k sure
MapView: k_per_grade places_k spread_k sure
MaterialView: air_fraction
Meeting: gap_s start_at_c start_in_s
MethodReading: syrup_c technique_sure
OnTray: late_s waits_s
OvenTime: modelled_s
PastBake: modelled_min
PlaceOffset: dial_c sd_k
PlanView: late_by_s
Sacrifice: high kept low
SpotView: acid_percent gloss steadiness sugar_to_white temperature_c
StepForecast: late_s modelled_s
TimeFactor: log_sd
TimeStep: after_factor after_high after_low modelled_min ratio trusted
LayerSoak: goes_g grams most_g
SoakPlan: fills over_g pores_ml
DayAnswer: bound cost gap now_s waits_s
DayStep: oven_c slack_s
PlannedBake: late_by_s
PartOfBake: frozen_s keeps_s
Way: late_s seconds
Span: end_s start_s
"""
"""One step of a reckoning whose result stands in the same answer with its range, or with a deviation of its own."""

NEEDS_NONE = (GIVEN, READ, EXACT, CHOSEN, DRAWN, WITHIN)
