import { foodWords } from './foodWords.js';

/**
 * What plain words usually mean where people cook. Behind "=", a food of those words is the usual reading; behind "~" it is counted
 * until somebody says which, since others are as likely.
 */
export const USUAL: ReadonlyMap<string, { readonly meant: string; readonly sure: boolean }> = new Map(
  `chicken breast = chicken breast boneless skinless | sold so in most shops
  chicken fillet = chicken breast boneless skinless | the word shops use
  chicken breast fillet = chicken breast boneless skinless | the word shops use
  skinless chicken breast = chicken breast boneless skinless | boned unless it is said not to be
  boneless chicken breast = chicken breast boneless skinless | skinned unless it is said not to be
  egg = hen s egg | another bird would be said
  water = tap water |
  ice = tap water | melts to it
  salt = table salt | kinds of salt weigh alike; flakes and coarse would be said
  fine salt = table salt |
  sugar = granulated sugar | brown, icing and others would be said
  olive oil = olive oil |
  light olive oil = olive oil | lightness is of taste, not of fat
  peanut butter = peanut butter smooth |
  oat = rolled oats | rolled unless cut, bran or flour is said
  porridge oat = rolled oats |
  quick oat = quick oats |
  coconut milk = coconut milk canned fullfat | the drink would be called one
  fullfat coconut milk = coconut milk canned fullfat |
  coconut cream = coconut cream canned |
  passata = passata |
  garden pea = frozen peas |
  petit pois = frozen peas |
  edamame bean = shelled frozen edamame |
  edamame = shelled frozen edamame |
  broad bean = frozen broad beans |
  prawn = raw prawns peeled | weighed to be eaten
  king prawn = raw prawns peeled |
  raw king prawn = raw prawns peeled |
  raw prawn = raw prawns peeled |
  raw peeled king prawn = raw prawns peeled |
  mussel = mussels in shell |
  honey = clear honey |
  red wine = red wine |
  white wine = white wine dry |
  merlot = red wine | kinds of red wine weigh alike
  shiraz = red wine |
  cabernet sauvignon = red wine |
  pinot noir = red wine |
  malbec = red wine |
  rioja = red wine |
  chianti = red wine |
  sauvignon blanc = white wine dry |
  pinot grigio = white wine dry |
  chardonnay = white wine dry |
  riesling ~ white wine dry | it may be sweet
  prosecco ~ white wine dry | it is a little sweeter
  cava ~ white wine dry |
  champagne ~ white wine dry |
  sparkling wine ~ white wine dry |
  stout = lager |
  porter = lager |
  brown ale = lager |
  ale = lager |
  pilsner = lager |
  ipa = lager |
  kashmiri chilli powder ~ indian chilli powder | milder than most, and of chillies alone
  parmesan = parmesan style hard cheese |
  mozzarella ball = mozzarella fresh |
  feta = feta style cheese |
  tofu = firm tofu | silken and smoked would be said
  linguine = spaghetti |
  tagliatelle = spaghetti |
  rigatoni = penne |
  farfalle = penne |
  fettuccine = spaghetti |
  elbow macaroni = macaroni |
  conchiglie = penne |
  orecchiette = penne |
  small pasta shape = macaroni |
  pasta shape = penne |
  pasta = penne | of white durum wheat, dry, unless said otherwise
  dry spaghetti = spaghetti |
  dry pasta = penne |
  whole peeled plum tomato = whole peeled tomatoes |
  plum tomato canned = whole peeled tomatoes |
  canned plum tomato = whole peeled tomatoes |
  canned tomato = chopped tomatoes canned |
  chopped tomato ~ tinned chopped tomatoes | from a can, or cut fresh
  tomato = red tomato |
  tomato paste = tomato puree double concentrated |
  tomato puree = tomato puree double concentrated | in a tablespoon; sieved tomatoes are passata
  brown onion = brown onion |
  small onion = onion |
  light brown sugar = light brown sugar |
  light muscovado sugar = muscovado sugar |
  dark muscovado sugar = muscovado sugar |
  light brown soft sugar = light brown sugar |
  soft brown sugar = light brown sugar |
  brown sugar = light brown sugar |
  golden caster sugar = caster sugar |
  dark brown sugar = dark brown sugar |
  cocoa = unsweetened cocoa powder |
  cinnamon = cinnamon ground |
  cumin = cumin ground |
  turmeric = turmeric ground |
  nutmeg = grated nutmeg |
  paprika = sweet paprika |
  allspice = allspice ground |
  clove = whole cloves |
  vanilla = vanilla extract |
  black pepper = black pepper ground |
  ground pepper = black pepper ground |
  pepper = black pepper ground | as a seasoning
  white pepper = white pepper ground |
  salted butter = salted butter |
  mature cheddar cheese = mature cheddar |
  cheddar cheese = mature cheddar |
  cheddar = mature cheddar |
  gherkin = dill pickles |
  caper = capers in brine |
  streaky bacon = bacon streaky |
  bacon = bacon slices | streaky where it is counted in slices
  smoked streaky bacon = bacon streaky |
  smoked bacon lardon = diced bacon |
  smoked mackerel fillet = smoked mackerel |
  salmon fillet skinless = salmon fillet skinless |
  lemon zest = lemon zest fresh |
  vegetable oil = vegetable oil |
  diced tomato ~ tinned chopped tomatoes | from a can, or cut fresh
  lean beef mince ~ lean beef mince | 5 % fat in some shops, 10 % in others
  pomegranate seed = pomegranate seeds |
  basil leaf = basil fresh |
  mint leaf = mint fresh |
  sage leaf = sage fresh |
  coriander leaf = fresh coriander |
  parsley leaf = flat leaf parsley |
  thyme leaf = thyme fresh | dried leaves would be said
  fresh thyme leaf = thyme fresh |
  flat leaf parsley = flat leaf parsley |
  parsley = flat leaf parsley | dried would be said
  dill = dill fresh | dried would be said
  chive = snipped chives |
  mint = mint fresh | dried would be said
  fresh basil = basil fresh |
  bay leaf = bay laurel |
  sweet paprika = hungarian paprika |
  sesame seed = unhulled sesame seeds |
  almond milk = almond milk |
  english muffin = english muffin |
  mixed seed = mixed seeds |
  mixed berry = frozen berry mix |
  garlic = fresh garlic |
  dry mustard = dry mustard |
  dijon = mustard dijon |
  hoisin = hoisin sauce |
  worcester = worcester sauce |
  strawberry = strawberries raw |
  wine vinegar red = red wine vinegar |
  skimmed milk = skimmed milk |
  greek style yoghurt = greek style natural yoghurt |
  black sesame seed = black sesame |
  fullfat milk = whole milk |
  fullfat cream cheese = fullfat soft cheese |
  ready made puff pastry = puff pastry |
  ready rolled puff pastry = puff pastry |
  strong white bread flour = strong white flour |
  fast action dry yeast = fast action yeast |
  crusty bread = crusty bread |
  hot dog = hot dog sausage |
  chipolata = pork link |
  fish finger = breaded frozen fish fingers |
  corn = sweetcorn |
  corn kernel ~ tinned sweetcorn | canned or frozen
  corn on cob = corn on the cob |
  sweetcorn cob = corn on the cob |
  rolled oat = old fashioned oats |
  vanilla whey protein = vanilla protein powder |
  vanilla protein = vanilla protein powder |
  chocolate protein = chocolate protein powder |
  whey protein ~ whey protein powder unflavoured | of whichever flavour
  protein powder ~ whey protein powder unflavoured | of whichever kind
  garlic granule = granulated garlic |
  onion granule = granulated onion |
  parmesan rind ~ parmesan style hard cheese | boiled for its taste, and mostly taken out
  soft boiled egg ~ boiled egg |
  breadcrumb ~ breadcrumbs dry | fresh ones weigh and hold more water
  wholemeal breadcrumb ~ breadcrumbs dry |
  vegan yoghurt ~ plant based yoghurt |
  vegan milk ~ oat milk |
  vegan red wine ~ red wine |
  milk ~ whole milk | by its fat
  milk choice ~ whole milk |
  yoghurt ~ whole milk natural yoghurt | by its fat
  natural yoghurt ~ whole milk natural yoghurt | by its fat
  plain yoghurt ~ whole milk natural yoghurt | by its fat
  greek yoghurt ~ whole milk greek yoghurt | by its fat
  plain greek yoghurt ~ whole milk greek yoghurt | by its fat
  fullfat yoghurt = whole milk natural yoghurt |
  fullfat natural yoghurt = whole milk natural yoghurt |
  plain fullfat yoghurt = whole milk natural yoghurt |
  light natural yoghurt = low fat natural yoghurt |
  cream ~ single cream | by its fat
  cheese ~ mature cheddar |
  butter ~ salted butter | salted or not
  flour ~ plain flour |
  oil ~ vegetable oil |
  banana shallot = shallot |
  maris piper potato ~ floury potato |
  king edward potato ~ floury potato |
  russet potato = russet potato |
  potato ~ all purpose potato | floury and waxy weigh and cook differently
  ranch dressing = ranch style dressing |
  buttermilk ranch dressing = ranch style dressing |
  chipotle pepper = chipotle chillies in adobo sauce |
  chipotle chilli = chipotle chillies in adobo sauce |
  chicken ~ chicken breast boneless skinless | of which piece
  boneless chicken ~ chicken breast boneless skinless | breast or thigh
  skinless chicken ~ chicken breast boneless skinless | breast or thigh
  boneless skinless chicken ~ chicken breast boneless skinless | breast or thigh
  skinless boneless chicken ~ chicken breast boneless skinless | breast or thigh
  curd ~ whole milk yoghurt | yoghurt where dal is cooked, fresh cheese elsewhere
  chicken leg ~ leg quarter | thigh and drumstick together, or the drumstick alone
  chicken thigh ~ chicken thigh boneless skinless | with or without bone and skin
  skinless chicken thigh ~ chicken thigh boneless skinless |
  boneless chicken thigh ~ chicken thigh boneless skinless |
  turkey ~ turkey breast boneless skinless |
  beef ~ diced beef |
  pork ~ pork shoulder boneless |
  lamb ~ lamb shoulder boneless |
  duck ~ whole duckling |
  fish ~ cod fillet skinless |
  white fish ~ cod fillet skinless |
  white fish fillet ~ cod fillet skinless |
  salmon ~ salmon fillet skin on |
  salmon fillet ~ salmon fillet skin on | with or without skin
  mince ~ lean beef mince |
  beef mince ~ regular beef mince | by its fat
  lamb mince ~ lean lamb mince | by its fat
  turkey mince ~ turkey mince 7% | by its fat
  lentil ~ brown lentils | by kind
  dry lentil ~ brown lentils |
  rice ~ white rice | by kind
  cooked rice ~ cooked white rice |
  vinegar ~ white wine vinegar |
  mustard ~ dijon mustard |
  stock ~ chicken stock liquid |
  broth ~ chicken broth |
  bread ~ white bread |
  bread roll ~ bread roll |
  chilli ~ fresh red chilli | by colour, fresh or dry
  chilli pepper ~ fresh red chilli |
  hot chilli ~ fresh red chilli |
  squash ~ butternut squash raw |
  winter squash ~ butternut squash raw |
  coriander ~ fresh coriander | the leaf or the seed
  thyme ~ thyme fresh | fresh or dried
  rosemary ~ rosemary fresh |
  sage ~ sage fresh |
  oregano ~ dried oregano |
  ginger ~ fresh ginger |
  basil = basil fresh | dried would be said
  mixed herb = dried mixed herbs |
  apple = apple with skin | cooking apples are said to be
  apple cider ~ pressed apple juice | pressed juice, or alcoholic
  cider ~ hard cider |
  cabbage ~ white cabbage raw | by kind
  green cabbage = green cabbage |
  lettuce ~ romaine lettuce | by kind
  bell pepper ~ red bell pepper | by colour
  sweet pepper ~ red bell pepper |
  capsicum ~ red capsicum |
  mixed pepper ~ red bell pepper |
  mushroom ~ button mushroom | by kind
  sea salt ~ fine sea salt | fine or in flakes
  bean ~ tinned cannellini beans |
  chickpea ~ tinned chickpeas | canned or dry
  black bean ~ tinned black beans |
  kidney bean ~ tinned kidney beans |
  butter bean ~ tinned butter beans |
  cannellini bean ~ tinned cannellini beans |
  pinto bean ~ tinned pinto beans |
  white bean ~ tinned cannellini beans |
  tuna ~ tuna in spring water | in what it is canned
  tuna canned ~ tuna in spring water |
  sardine canned ~ tinned sardines in oil |
  peeled tomato canned = whole peeled tomatoes |
  plum tomato = roma tomato | fresh where no can is said
  tomato canned = tinned chopped tomatoes |
  crushed tomato ~ tinned chopped tomatoes |
  crushed tomato canned = tinned chopped tomatoes |
  fire roasted diced tomato canned ~ tinned chopped tomatoes |
  raw sugar = demerara sugar |
  red pepper = red bell pepper | a sweet one, where it is counted
  green pepper = green bell pepper |
  yellow pepper = yellow capsicum |
  orange pepper = orange bell pepper |
  pork rib ~ pork spare ribs bone in |
  spare rib ~ pork spare ribs bone in |
  ham ~ cooked sliced ham | cooked, cured or raw
  lasagne = lasagne sheets |
  cream cheese ~ full fat soft cheese | by its fat
  roasted chicken ~ cooked roast chicken meat |
  roast chicken ~ roast chicken meat |
  rotisserie chicken ~ rotisserie chicken meat | with its skin and bones it weighs more
  beef stock pot ~ beef stock cube | a jelly that makes as much stock
  chicken stock pot ~ chicken stock cube |
  vegetable stock pot ~ vegetable stock cube |
  cod loin = cod fillet |
  haddock loin = haddock fillet |
  hake loin = hake fillet |
  tuna loin = tuna steak |
  broccoli slaw ~ coleslaw mix |
  vanilla almond milk ~ almond drink |
  unsweetened vanilla almond milk ~ almond drink |
  rump steak = beef rump steak |
  sirloin steak = beef sirloin steak |
  ribeye steak = beef ribeye steak |
  rib eye steak = beef ribeye steak |
  flank steak = beef flank steak |
  skirt steak = beef flank steak |
  fillet steak = beef fillet trimmed |
  sirloin = beef sirloin steak |
  brisket = beef brisket |
  steak ~ beef rump steak |
  pork chop ~ bone in pork loin chop |
  boneless pork chop = pork loin chop boneless |
  pork loin = pork loin steak boneless |
  sausage ~ pork sausage |
  soya mince ~ soya mince dry |
  noodle ~ medium egg noodles |
  egg noodle ~ medium egg noodles | dry or fresh
  rice noodle = rice noodles dry |
  wide egg noodle ~ wide egg noodles |
  pappardelle ~ pappardelle |
  fresh pasta = fresh pasta |
  nut ~ mixed nuts |
  almond = whole almonds with skin |
  toasted almond ~ whole almonds with skin |
  walnut = walnut halves |
  berry ~ frozen berry mix |
  wine ~ red wine |
  sour cream = soured cream |
  double cream = cream double |
  chocolate ~ dark chocolate 70% |
  dark chocolate = dark chocolate 70% |
  plain chocolate = dark chocolate 70% |
  dark chocolate chip = dark chocolate chips |
  couscous = cous cous |
  quinoa = white quinoa |
  curry paste ~ mild curry paste |
  hot sauce = hot sauce |
  chilli sauce ~ garlic chilli sauce |
  tomato sauce ~ tomato and basil sauce | ketchup in some countries
  chilli powder american = chilli powder blend |
  chilli powder ~ chilli powder blend | pure, or blended with cumin and salt
  milk powder ~ skim milk powder |
  fromage frais = fat free fromage frais |
  dressing ~ french dressing |
  jam = strawberry jam |
  melon ~ cantaloupe |
  pumpkin puree = canned pumpkin |
  seed ~ mixed seeds |`
    .split('\n')
    .map((row) => {
      const [said = '', meant = ''] = (row.split('|')[0] ?? '').split(/[=~]/);
      return [foodWords(said).join(' '), { meant: meant.trim(), sure: !/^[^|]*~/.test(row) }] as const;
    }),
);
