/* Made from the catalogues by python -m gentle_crust.text.page; do not edit. */
export type Value = string | number

export interface Words {
  bakes: {
    title: string
    earlier: string
    none: string
    noneMore: string
    seeRecord: string
    back: string
    states: Record<string, string>
    line: (data: { pieces: Value }) => string
    out: (data: { when: Value }) => string
    began: (data: { when: Value }) => string
    notes: (data: { count: Value }) => string
    photos: (data: { count: Value }) => string
    proof: (data: { how: Value }) => string
    proofSaid: (data: { how: Value }) => string
    steps: string
    planned: (data: { at: Value }) => string
    leftOut: string
    asPlanned: string
    later: (data: { span: Value }) => string
    sooner: (data: { span: Value }) => string
    read: string
    verdicts: string
    changes: string
    words: string
    pictures: string
    outcome: string
    unreadable: string
    unreadableMore: (data: { count: Value }) => string
    nothing: string
    addNoteHint: string
    keep: string
    proofWas: string
    kinds: Record<string, string>
    stageNames: Record<string, string>
  }
  bench: {
    title: string
    titleDue: (data: { dough: Value; step: Value }) => string
    empty: string
    coming: string
    emptyMore: string
    startPlan: string
    toBench: string
    start: string
    saved: string
    mixedTitle: string
    mixedWhat: string
    mixedPieces: string
    mixedAgo: string
    mixedAgoes: Record<string, string>
    mixedProof: string
    mixedProofs: Record<string, string>
    mixedGo: string
    another: string
    close: string
    due: string
    late: (data: { span: Value }) => string
    inSpan: (data: { span: Value }) => string
    done: string
    notYet: string
    skip: string
    look: string
    read: string
    note: string
    photo: string
    extraFold: string
    change: string
    snooze: string
    snoozed: (data: { at: Value }) => string
    stop: string
    more: string
    asksWait: string
    waits: Record<string, string>
    says: {
      done: (data: { step: Value }) => string
      skipped: (data: { step: Value }) => string
      notYet: (data: { at: Value; step: Value }) => string
      snoozed: (data: { at: Value }) => string
      read: string
      note: string
      judged: string
      outcome: string
      finished: string
      stopped: string
      probe: string
      away: string
      corrected: string
    }
    takeBack: string
    early: (data: { span: Value; step: Value }) => string
    earlySkip: (data: { span: Value; step: Value }) => string
    earlyYes: string
    earlySkipYes: string
    earlyNo: string
    asideDough: (data: { name: Value; why: Value }) => string
    asideOff: string
    stuck: (data: { count: Value }) => string
    stuckPhoto: string
    stuckKinds: Record<string, string>
    stuckOther: string
    stuckAgain: string
    stuckDrop: string
    shortcuts: string
    ready: string
    past: string
    when: string
    correct: string
    clash: string
    finding: string
    noWay: string
    offline: string
    offlineOld: (data: { when: Value }) => string
    sending: (data: { count: Value }) => string
    offlineCount: (data: { count: Value }) => string
    clockBack: string
    away: string
    awayFrom: string
    awayTo: string
    awayGo: string
    awayNote: (data: { from: Value; to: Value }) => string
    survives: {
      unknown: string
      yes: string
      untrusted: string
      cannot: string
    }
    howToTrust: string
    keepsNothing: string
    sleeps: string
    device: string
    phone: string
    noPhone: string
    soundOn: string
    soundOff: string
    turnOn: string
    turnOff: string
    noticeGranted: string
    noticeAsk: string
    noticeAllow: string
    noticeWithheld: string
    awake: string
    noAwake: string
    outcomeTitle: string
    outcomes: Record<string, string>
    finish: string
    score: (data: { judged: Value; right: Value }) => string
    ribbon: string
    probe: {
      choose: string
      none: string
      file: string
      says: (data: { degree: Value }) => string
    }
    notes: string
    keep: string
    kinds: Record<string, ((data: Record<string, Value>) => string) | string>
    skipped: string
    stages: Record<string, string>
    mind: string
    waterHint: string
    waterG: string
    saysWater: string
    abouts: Record<string, string>
    waters: Record<string, string>
  }
  byHand: {
    title: string
    lead: (data: { name: Value }) => string
    nothing: string
    ofPart: (data: { part: Value; what: Value }) => string
    codes: Record<string, string>
    hints: Record<string, ((data: Record<string, Value>) => string) | string>
    day: string
    outAt: string
    readyAt: string
    pieces: string
    which: string
    minutes: string
    vessel: string
    weight: string
    do: string
    reckoning: string
    told: Record<string, ((data: Record<string, Value>) => string) | string>
  }
  card: {
    title: string
    print: string
    head: (data: { each: Value; out: Value; pieces: Value }) => string
    water: (data: { warm: Value }) => string
    trial: (data: { question: Value }) => string
    side: (data: { part: Value; says: Value }) => string
    mark: (data: { parts: Value }) => string
    letters: (data: { letters: Value }) => string
    letter: (data: { letter: Value; part: Value }) => string
  }
  conflict: {
    title: (data: { what: Value }) => string
    lead: string
    sides: {
      mine: string
      theirs: string
      both: string
    }
    nothing: string
    yes: string
    no: string
    later: string
    save: string
  }
  counts: Record<string, string>
  cultures: {
    photoBack: string
    title: string
    none: string
    emptyTitle: string
    emptyWords: string
    notHere: string
    add: string
    more: string
    buildsTitle: string
    buildFor: string
    oneFor: (data: { count: Value }) => string
    bringInFile: string
    calendarAll: string
    calendarHow: string
    calendarAddress: string
    calendarCopy: string
    calendarCopied: string
    calendarSecret: string
    calendarRenew: string
    calendarSurely: string
    calendarOnce: string
    goneTitle: string
    until: string
    feedAt: string
    wasDue: string
    startMark: string
    peakMark: string
    jar: string
    ribbon: string
    ripe: string
    pastBy: string
    notRipe: string
    hunger: string
    hungerNone: string
    hungryFrom: string
    hungryWord: string
    now: string
    places: Record<string, string>
    onThe: Record<string, string>
    forDaysCold: (data: { days: Value }) => string
    states: {
      contaminated: string
      guide: (data: { day: Value; stage: Value }) => string
      unknown: string
      hungry: string
      past: string
      ripe: string
      ripeUntil: (data: { at: Value }) => string
      ripeFrom: (data: { at: Value }) => string
      rising: string
      stages: Record<string, string>
    }
    verdicts: Record<string, string>
    because: string
    although: string
    doNow: string
    vigour: string
    ofUsual: string
    vigourFrom: (data: { count: Value; span: Value }) => string
    vigourUnread: (data: { span: Value }) => string
    wakes: (data: { count: Value }) => string
    nextFeeds: string
    overdue: string
    discardTitle: string
    discardWords: (data: { month: Value; week: Value }) => string
    discardLess: string
    aWeek: (data: { mass: Value }) => string
    photoOf: (data: { at: Value; name: Value }) => string
    photosInOrder: string
    photoAdd: string
    photoOther: string
    photoNone: string
    fedAt: string
    feedFirst: string
    isAway: string
    feed: string
    look: string
    move: Record<string, string>
    takeSome: string
    takeBack: string
    loggedIt: string
    logged: Record<string, string>
    files: string
    takeOutCsv: string
    takeOutJson: string
    calendar: string
    edit: string
    putAway: (data: { name: Value }) => string
    close: string
    feedTitle: (data: { name: Value }) => string
    seed: string
    flour: string
    water: string
    salt: string
    labels: {
      seed: string
      flour: string
      water: string
    }
    moreOfFeed: string
    otherFlour: string
    mixedAt: string
    markAt: string
    at: string
    logFeed: string
    wishTitle: string
    needed: string
    kept: string
    day: string
    ripeAt: string
    stands: string
    standsCounter: string
    standsWarm: string
    warmC: string
    usualFirst: (data: { count: Value; from: Value; to: Value }) => string
    usualAssumed: string
    asItIs: string
    soonest: string
    nightWay: string
    waysTitle: string
    feedsFrom: (data: { count: Value }) => string
    wantedAt: string
    ripeSpan: (data: { from: Value; to: Value }) => string
    spare: (data: { flour: Value; mass: Value }) => string
    takeWay: string
    lookTitle: string
    heightNow: string
    itsWarmth: string
    cueNames: {
      surface: string
      floated: string
      smell: string
      liquid: string
      growth: string
      bubbles: string
    }
    cues: {
      surface: Record<string, string>
      floated: Record<string, string>
      smell: Record<string, string>
      liquid: Record<string, string>
      growth: Record<string, string>
    }
    note: string
    lookNote: string
    smellWords: string
    logLook: string
    weighTitle: string
    gross: string
    weighAlone: string
    cultureAlone: string
    logWeight: string
    takeTitle: string
    takenG: string
    logTaken: string
    holds: (data: { mass: Value }) => string
    backupTitle: string
    backupSteps: string[]
    driedG: string
    logDried: string
    wakeTitle: string
    wakeSteps: string[]
    flakesG: string
    logWoken: string
    wokenWith: (data: { flour: Value; water: Value }) => string
    awayTitle: string
    leave: string
    forDays: string
    awayWell: string
    awayPast: string
    awayHungry: string
    awaySays: (data: { count: Value; days: Value; state: Value }) => string
    awayReady: string
    compare: string
    compareDrawing: string
    besideNone: string
    beside: string
    sureBy: (data: { count: Value; percent: Value }) => string
    ripeAfter: (data: { high: Value; likely: Value; low: Value }) => string
    compareLead: string
    guideNext: string
    guideDoublings: (data: { count: Value }) => string
    yours: string
    history: string
    nothingYet: string
    did: Record<string, string>
    movedTo: Record<string, string>
    showMore: (data: { count: Value }) => string
    olderInFile: (data: { count: Value }) => string
    withdrawn: (data: { count: Value }) => string
    howFrom: string
    hows: {
      have: string
      begin: string
    }
    beginWords: string
    name: string
    fedWith: string
    mixedWith: string
    shareOf: string
    mixIn: string
    mixTooMuch: string
    anotherFeed: string
    itsWater: string
    emptyG: string
    diameter: string
    rimHeight: string
    volume: string
    jarWhy: string
    livesOn: string
    lives: {
      counter: string
      fridge: string
    }
    standing: string
    standings: {
      none: string
      daily: string
      weekly: string
      days: string
    }
    onDay: string
    everyDays: string
    weekdays: string[]
    save: string
    cancel: string
    prefermentTitle: string
    kind: string
    mixedOn: string
    ripeOn: string
    coldPart: string
    coldFrom: string
    coldTo: string
    ofItsFlour: string
    doseSpan: (data: { high: Value; likely: Value; low: Value }) => string
    isItRipe: string
    preferment: {
      surface: {
        domed: string
        dimpled: string
        collapsed: string
      }
      bubbles: {
        few: string
        many: string
      }
      smell: {
        floury: string
        sweet: string
        sharp: string
      }
      verdicts: Record<string, string>
    }
    sourTitle: string
    from: string
    anyLively: string
    stages: string
    two: string
    three: string
    allOf: (data: { stage: Value }) => string
    sourLate: (data: { at: Value }) => string
    sourReady: string
    wakesYou: string
  }
  door: {
    title: string
    lead: string
    waits: string
    passcode: string
    name: string
    enter: string
    empty: string
    warned: string
    trust: string
    phone: string
    tablet: string
    computer: string
    devices: string
    notNeeded: string
    none: string
    mine: string
    seen: (data: { clock: Value; day: Value }) => string
    showOut: string
    signOut: string
    surely: (data: { name: Value }) => string
    surelyMine: string
    keep: string
  }
  drill: {
    title: string
    lead: string
    of: string
    stage: string
    stages: {
      bulk: string
      final_proof: string
    }
    containers: {
      bowl: string
      box: string
      basket: string
      tin: string
    }
    dashed: string
    shows: string
    where: string
    rise: string
    rises: (data: { percent: Value }) => string
    sure: string
    sures: {
      sure: string
      fairly: string
      guess: string
    }
    judge: string
    another: string
    right: (data: { state: Value }) => string
    wrong: (data: { state: Value }) => string
    was: (data: { from: Value; rise: Value; to: Value }) => string
    wasShare: (data: { share: Value }) => string
    eyeHigh: (data: { by: Value }) => string
    eyeLow: (data: { by: Value }) => string
    eyeRight: string
    given: (data: { bits: Value; percent: Value }) => string
    spoke: string
    against: string
    nothing: string
    score: (data: { bits: Value; doughs: Value; near: Value; right: Value }) => string
    early: string
    late: string
    eyeBias: (data: { by: Value; way: Value }) => string
    offered: string
    toLearnt: string
    sides: string
    at: (data: { rise: Value }) => string
    picture: (data: { what: Value }) => string
    states: Record<string, string>
    founds: Record<string, string>
  }
  forms: {
    nameIt: string
    less: string
    more: string
    none: string
    between: (data: { high: Value; low: Value }) => string
    nothing: string
    yes: string
    no: string
    close: string
  }
  formulas: {
    find: string
    noneOfName: string
    moreByName: string
    theFormula: string
    title: string
    overall: string
    mixed: string
    overallHint: string
    mixedHint: string
    planThis: string
    putAway: string
    gone: string
    inList: (data: { feel: Value; water: Value }) => string
    hydration: string
    salt: string
    prefermented: string
    pieces: string
    empty: string
    bar: string
    dough: string
    edit: string
    write: string
    paste: string
    save: string
    cancel: string
    unsaved: (data: { name: Value }) => string
    goOn: string
    forget: string
    name: string
    flours: string
    together: string
    remove: string
    addFlour: string
    yeast: string
    yeastKind: string
    yeasts: {
      instant: string
      active_dry: string
      osmotolerant: string
      fresh: string
    }
    yeastWoken: string
    preferment: string
    preferments: Record<string, string>
    prefermentFlour: string
    prefermentShare: string
    prefermentWater: string
    prefermentYeast: string
    prefermentSalt: string
    allOfIt: string
    add: string
    soaks: string
    soakerKinds: {
      soaker: string
      scald: string
    }
    soakerWater: string
    bound: string
    soakedFlour: string
    waterAndSalt: string
    saltLate: string
    byFeel: string
    feelTo: string
    heldBack: string
    late: string
    lateWord: string
    scalded: string
    stays: string
    locks: {
      pieces: string
      dough: string
      count: string
      flour: string
      bag: string
      tin: string
      round: string
    }
    locked: Record<string, string>
    bagOf: string
    tinHolds: string
    tinBy: string
    tinBys: Record<string, string>
    tinLength: string
    tinWidth: string
    tinHeight: string
    tinIs: (data: { ml: Value }) => string
    diameter: string
    thickness: string
    opened: (data: { cm: Value; mm: Value }) => string
    tinFill: string
    each: string
    shareOf: string
    aDough: (data: { word: Value }) => string
    feelEnds: string
    to: string
    upTo: string
    moreWater: string
    carry: string
    protein: string
    weight1: string
    fromBowl: string
    itsWater: string
    inside: string
    allergens: string
    ingredientsOf: string
    ofBatch: string
    noPrice: string
    extras: string
    kind: string
    addExtra: string
    extraKinds: Record<string, string>
    piecesLabel: string
    weight: string
    autolyse: string
    doughC: string
    shape: string
    shapes: Record<string, string>
    note: string
    newName: string
    withYeast: string
    withCulture: string
    bulkBefore: string
    bulkAfter: string
    bulkAt: string
    about: string
    overADay: string
    bringIn: string
    takeOut: string
    files: Record<string, string>
    versions: string
    version: string
    restore: string
    compare: string
    list: string
    alikeToo: string
    before: string
    after: string
    same: string
    giveName: string
    nameOf: string
    keepName: string
    gramsOf: (data: { name: Value }) => string
  }
  judge: {
    titles: Record<string, string>
    lead: string
    cues: Record<string, string>
    values: Record<string, string>
    states: Record<string, string>
    verdicts: Record<string, string>
    baked: Record<string, string>
    loaf: Record<string, string>
    band: string
    why: string
    forThis: string
    against: string
    next: (data: { look: Value }) => string
    sure: string
    by: (data: { at: Value }) => string
    actBy: (data: { at: Value }) => string
    again: (data: { at: Value }) => string
    waitUntil: (data: { at: Value }) => string
    keep: string
    goOn: (data: { step: Value }) => string
    conflict: string
  }
  keeping: {
    title: string
    lead: string
    folder: string
    last: string
    never: string
    write: string
    bring: string
    sure: string
    go: string
    no: string
    back: (data: { at: Value }) => string
    aside: (data: { folder: Value }) => string
    look: string
    well: string
    bad: string
    copies: string
    copiesLead: string
    noCopies: string
    goBack: string
    unreadable: string
    unreadableLead: string
    undated: string
    file: string
    putAway: string
    wasPut: (data: { name: Value }) => string
    undo: string
    sending: string
  }
  kitchen: {
    title: string
    theKitchen: string
    asleep: string
    daySaid: (data: { fridge: Value; from: Value; high: Value; low: Value; to: Value }) => string
    lead: string
    name: string
    zone: string
    sleep: string
    from: string
    to: string
    day: string
    night: string
    fridge: string
    tap: string
    hotTap: string
    tools: string
    scale: string
    bowl: string
    mixer: string
    tin: string
    currency: string
    altitude: string
    box: string
    jar: string
    fridgeRoom: string
    oven: string
    ovenTop: string
    ovens: Record<string, string>
    vessels: string
    count: string
    kind: string
    add: string
    remove: string
    warmths: string
    weights: string
    celsius: string
    fahrenheit: string
    grams: string
    ounces: string
    save: string
    saved: string
    newVessel: string
  }
  later: {
    title: (data: { day: Value; pieces: Value }) => string
    chill: string
    warm: (data: { min: Value }) => string
    preheat: string
    load: string
    out: string
  }
  learnt: {
    lead: string
    none: string
    noneMore: string
    groups: {
      leaven: string
      kitchen: string
      loaf: string
      baker: string
    }
    elsewhere: string
    restsOn: (data: { bakes: Value }) => string
    known: (data: { percent: Value }) => string
    changed: string
    aside: string
    again: string
    wish: string
    unwish: string
    isAside: string
    notWished: string
    bakes: string
    bakeAside: string
    bakeAgain: string
    open: string
  }
  loaf: {
    title: string
    lead: string
    judge: string
    part: string
    piece: string
    when: string
    today: string
    day: (data: { day: Value }) => string
    keeps: string
    liked: string
    outside: string
    inside: string
    taste: string
    skin: string
    measured: string
    out_g: string
    cut_min: string
    again: string
    note: string
    keep: string
    kept: string
    sheets: string
    none: string
    volume: (data: { ml: Value }) => string
    density: (data: { g: Value }) => string
    tall: (data: { ratio: Value }) => string
    lost: (data: { percent: Value }) => string
    liking: (data: { of: Value }) => string
    asking: string
    askLoaf: (data: { name: Value; when: Value }) => string
    askKeeping: (data: { name: Value; when: Value }) => string
    earlier: string
    looks: Record<string, string>
    form: Record<string, string>
    scores: Record<string, string>
    blow_out: Record<string, string>
    bottom: Record<string, string>
    openness: Record<string, string>
    holes: Record<string, string>
    walls: Record<string, string>
    bite: Record<string, string>
    crumb_colour: Record<string, string>
    crust: Record<string, string>
    salt: Record<string, string>
    skins: Record<string, string>
    keepings: Record<string, string>
    agains: Record<string, string>
    likings: string[]
    sournesses: string[]
    flavours: string[]
    lengths: Record<string, string>
  }
  log: {
    lead: string
    find: string
    tab: {
      bakes: string
      time: string
      trials: string
      learnt: string
      practice: string
    }
    enter: string
    anyFormula: string
    anyCulture: string
    anySeason: string
    anyLiking: string
    anyFault: string
    formula: string
    culture: string
    season: string
    liking: string
    fault: string
    likedOrMore: (data: { of: Value }) => string
    choose: (data: { name: Value; when: Value }) => string
    chosen: (data: { count: Value }) => string
    tooMany: string
    compare: string
    clear: string
    none: string
    noneMore: string
    all: string
    guessed: string
    fold: string
    out: string
    outHint: string
    in: string
    inHint: string
    reading: string
    brought: (data: { bakes: Value; known: Value; photos: Value; trials: Value }) => string
    takenOut: string
    takenOutLead: (data: { days: Value }) => string
    takenOutOn: (data: { day: Value }) => string
    bringBack: string
    seasons: Record<string, string>
    says: {
      removed: string
    }
    remove: string
    removeSure: string
    yes: string
    no: string
    again: string
    history: string
    print: string
    write: string
    addPhoto: string
    photoOf: string
    whole: string
    guess: string
    entered: string
    trials: string
    beside: string
    faults: (data: { faults: Value }) => string
    enterTitle: string
    enterLead: string
    mixedDay: string
    mixedAt: string
    outDay: string
    outAt: string
    how: string
    asSuits: string
    vessel: string
    pieces: string
    doughC: string
    ovenC: string
    bakedMin: string
    note: string
    keepBake: string
    compareTitle: string
    compareLead: string
    differs: string
    everything: string
    alike: string
    unknown: string
    loaves: string
    notJudged: string
    photos: string
    noPhotos: string
    left: string
    right: string
    edge: string
    size: string
    line: string
    lineAgain: string
    lineTitle: (data: { of: Value }) => string
    lineLead: string
    lineFrom: string
    lineTo: string
    lineAt: (data: { across: Value; down: Value }) => string
    lineMm: string
    lineKeep: string
    lineKept: string
    oneScale: string
    scaleMissing: string
    scaleBar: string
    makeTrial: string
    notEnough: string
    mixed: string
    spans: Record<string, string>
    groups: Record<string, string>
    spanLine: (data: { span: Value; what: Value }) => string
    spanDiffers: (data: { span: Value; what: Value }) => string
    trial: string
    trialTitle: string
    trialLead: string
    question: string
    sideSays: (data: { side: Value }) => string
    blind: string
    blindHint: string
    keepTrial: string
    noTrials: string
    noTrialsMore: string
    isBlind: string
    notBaked: string
    judgeLoaf: string
    which: string
    neither: string
    conclusion: string
    conclude: string
    better: (data: { side: Value }) => string
    noBetter: string
    reopen: string
    putAway: string
    putAwayDone: string
    undo: string
    sure: (data: { high: Value; low: Value; percent: Value; side: Value }) => string
    apart: string
    pooled: string
    wins: (data: { count: Value; side: Value }) => string
    draws: (data: { count: Value }) => string
    ofFormula: (data: { day: Value; formula: Value }) => string
    timeLead: string
    fewPoints: string
    figures: Record<string, string>
    rightTitle: string
    rightNone: string
    rightInside: (data: { inside: Value; read: Value }) => string
    rightLate: (data: { late: Value; side: Value; span: Value; within: Value }) => string
    rightJudged: (data: { all: Value; right: Value }) => string
    verdict: (data: { count: Value; how: Value; verdict: Value }) => string
    historyLead: (data: { bakes: Value }) => string
    best: string
    versionOf: (data: { number: Value }) => string
    noVersion: string
    since: (data: { day: Value }) => string
    unchanged: string
    likedMean: (data: { of: Value }) => string
    bakesOf: (data: { count: Value }) => string
    openFormula: string
    changeLine: (data: { after: Value; before: Value; what: Value }) => string
    newLine: (data: { after: Value; what: Value }) => string
    goneLine: (data: { what: Value }) => string
    historyOf: string
    takes: string
    planSo: string
    offersNone: string
    planIt: string
  }
  marks: {
    title: string
  }
  method: {
    title: string
    suits: string
    own: string
    line: string
    begin: string
    makeOwn: string
    letGo: string
    asItSuits: (data: { what: Value }) => string
    suitsShort: string
    ends: string
    place: string
    shelf: string
    container: string
    minutes: string
    by: string
    with: string
    rise: string
    from: string
    to: string
    warm: string
    clock: string
    folds: string
    foldsOf: (data: { count: Value }) => string
    piecesOf: (data: { count: Value }) => string
    foldsOwn: string
    kind: string
    count: string
    first: string
    gap: string
    addFolds: string
    remove: string
    earlier: string
    later: string
    add: string
    order: string
    orderSuits: string
    late: string
    lateSuits: string
    lengthOf: (data: { stage: Value }) => string
    split: string
    join: string
    partName: string
    partPieces: string
    newParts: string
    newPart: string
    closed: string
    bakeOf: string
    names: Record<string, string>
    where: Record<string, string>
    shelves: Record<string, string>
    containers: Record<string, string>
    until: Record<string, string>
    foldKinds: Record<string, string>
    finishes: Record<string, string>
  }
  oven: {
    title: string
    loaf: string
    pieces: string
    grams: string
    from: string
    fridge: string
    room: string
    wish: string
    wishes: {
      usual: string
      thin: string
      thick: string
      soft: string
      tall: string
      many: string
      shiny: string
      little_work: string
    }
    ways: string
    hot: string
    cold: string
    inAll: (data: { min: Value }) => string
    allWays: (data: { count: Value }) => string
    fewer: string
    beside: string
    besideNone: string
    besideTitle: string
    nothingFits: string
    big: (data: { min: Value }) => string
    signs: Record<string, string>
    heating: string
    minutes: string
    soak: (data: { min: Value }) => string
    lidOn: string
    lidOff: string
    steaming: string
    vented: string
    open: string
    off: string
    fan: string
    split: string
    back: string
    wouldBeDone: (data: { core: Value; min: Value }) => string
    loaded: string
    outAt: (data: { min: Value }) => string
    lines: Record<string, string>
    heatOf: (data: { stage: Value }) => string
    endOf: (data: { stage: Value }) => string
    drawn: (data: { core: Value; minutes: Value; shade: Value }) => string
    shortSoak: (data: { k: Value; need: Value }) => string
    weak: (data: { k: Value }) => string
    endFacts: (data: { core: Value; loss: Value; mm: Value; shade: Value; spring: Value }) => string
    steps: string
    cut: (data: { time: Value }) => string
    know: string
    loads: (data: { count: Value }) => string
    load: (data: { from: Value; number: Value; pieces: Value; to: Value }) => string
    disagree: string
    asDrawn: string
    upperShelf: string
    lowerShelf: string
    shelfOf: (data: { number: Value }) => string
    inMinutes: (data: { min: Value }) => string
    loadDrawn: (data: { said: Value }) => string
    grill: string
    otherPaper: string
    paperBears: (data: { c: Value }) => string
    usualPaper: string
    firedTitle: string
    firedLead: string
    floorC: string
    domeC: string
    soakedMin: string
    afternoon: string
    afternoonLead: string
    floorOver: (data: { from: Value; span: Value; to: Value }) => string
    doorAjar: string
    turnOf: (data: { c: Value }) => string
    suits: Record<string, ((data: Record<string, Value>) => string) | string>
    teach: string
    taughtSo: string
    bakedMin: string
    learntTitle: string
    learntLead: string
    learntSigns: {
      core: (data: { foretold: Value; seen: Value }) => string
      loss: (data: { foretold: Value; seen: Value }) => string
    }
    seenColour: string
    foretoldColour: string
    putAside: string
    countAgain: string
    older: string
    isItDone: string
    coreNow: string
    outWeight: string
    topColour: string
    baseColour: string
    done: string
    more: (data: { min: Value }) => string
    wanted: (data: { core: Value; loss: Value }) => string
    lost: (data: { loss: Value }) => string
    facts: {
      heating: string
      minutes: string
      spring: string
      colour: string
      base: string
      crust: string
      loss: string
      core: string
      last: string
    }
    steamNames: Record<string, string>
    print: string
    likeThis: string
    planSo: string
    keepSo: string
    keptSo: (data: { name: Value }) => string
    kit: string
    kitLead: string
    kind: string
    called: string
    ovenCalled: string
    another_oven: string
    addOven: string
    useThis: string
    tools: string
    toolNames: Record<string, string>
    litres: string
    heatUp: string
    heater: string
    offset: string
    hotSide: string
    sides: Record<string, string>
    shelves: string
    details: string
    weight: string
    lidWeight: string
    inside: string
    knob: string
    rated: string
    heatsEmpty: string
    asUsual: string
    allowed: string
    forbidden: string
    steamMeans: string
    paper: string
    paperLead: string
    saveKit: string
    leave: string
    learn: string
    learnHeat: string
    learnDial: string
    learnSides: string
    atMinute: string
    reads: string
    dialAt: string
    another: string
    learnNow: string
    nothingLearnt: string
    steamAt: string
    mine: string
    mineNew: string
    mineName: string
    mineKeep: string
    mineKept: (data: { name: Value }) => string
    mineDropped: (data: { name: Value }) => string
    mineGone: string
    serves: Record<string, string>
    whatIsHot: string
    coldRig: string
    hotIs: Record<string, string>
  }
  app: string
  earlier: string
  loading: string
  failed: string
  again: string
  undo: string
  pantry: {
    thePantry: string
    title: string
    lead: string
    none: string
    name: string
    kind: string
    absorption: string
    protein: string
    ash: string
    whole: string
    mill: string
    bag: string
    date: string
    price: string
    note: string
    addLot: string
    add: string
    newFlour: string
    prices: string
    unpriced: string
    save: string
    saved: string
  }
  paste: {
    title: string
    lead: string
    name: string
    text: string
    example: string
    measures: string
    cup: string
    flour: string
    salt: string
    ounces: string
    ownCup: string
    ownSpoon: string
    ownWhy: string
    unknown: string
    spooned: string
    scooped: string
    table: string
    fineSea: string
    flaky: string
    weight: string
    volume: string
    percents: {
      hydration: string
      salt: string
      yeast: string
    }
    unread: string
    nothing: string
    take: string
    asked: string
    goesIn: string
    dough: string
    aside: string
    whole: string
    made: string
    notTold: string
    putRight: string
    stage: string
    weighs: string
    leaveOut: string
    asRead: string
    leftOut: string
    happens: string
    says: (data: { here: Value; said: Value }) => string
    notUnderstood: (data: { words: Value }) => string
    folds: (data: { count: Value }) => string
    cold: string
    covered: string
    fan: string
    turned: string
    kinds: Record<string, string>
  }
  plan: {
    title: string
    tryBoth: string
    thePlan: string
    undo: string
    formula: string
    change: string
    done: string
    noFormulas: string
    lines: {
      formula: string
      pieces: string
      ready: string
      kitchen: string
      dough: string
      style: string
      vessel: string
      sleep: string
    }
    out: string
    cut: string
    fields: {
      pieces: string
      weight: string
      later: string
      laterDays: string
      day: string
      time: string
      means: string
      roomDay: string
      roomNight: string
      tap: string
      dough: string
      culture: string
      style: string
      days: string
      levain: string
      school: string
      folds: string
      fridge: string
      vessel: string
      bed: string
      up: string
    }
    says: {
      pieces: (data: { count: Value; mass: Value }) => string
      kept: (data: { count: Value; later: Value; mass: Value }) => string
      partOut: (data: { pieces: Value; when: Value }) => string
      out: (data: { when: Value }) => string
      kitchen: (data: { day: Value; night: Value; tap: Value }) => string
      stands: (data: { day: Value; night: Value; warm: Value }) => string
      dough: (data: { warm: Value }) => string
      leavened: (data: { culture: Value; warm: Value }) => string
      sleep: (data: { from: Value; to: Value }) => string
      totals: (data: { salt: Value; water: Value }) => string
      counted: string
      mixed: (data: { salt: Value; water: Value }) => string
      feel: (data: { handling: Value; word: Value }) => string
      atOven: (data: { from: Value; high: Value; likely: Value; low: Value; to: Value }) => string
      part: (data: { from: Value; title: Value; to: Value }) => string
      saved: (data: { count: Value; when: Value }) => string
    }
    culture: {
      lively: string
      hungry: string
    }
    cultureWord: string
    shared: (data: { at: Value; flour: Value; others: Value; seed: Value; water: Value }) => string
    cultureLong: {
      lively: string
      hungry: string
    }
    ownCulture: string
    withPinch: (data: { percent: Value }) => string
    noPinch: string
    laterDays: string[]
    nights: string[]
    schools: {
      by_dough: string
      early_cold: string
      classic: string
      doubled: string
      wet_far: string
    }
    schoolWhy: Record<string, string>
    ownWay: string
    otherWay: string
    inFridge: (data: { style: Value; warm: Value }) => string
    today: string
    tomorrow: string
    save: string
    standsAt: (data: { warm: Value }) => string
    standsHere: string
    otherYeast: (data: { percent: Value }) => string
    usualYeast: string
    saved: string
    saving: string
    saveAgain: string
    fresh: string
    savedPlans: string
    deletePlan: string
    putAway: string
    formulaGone: string
    trouble: string
    mends: string
    noMend: string
    looking: string
    underWay: Record<string, string>
    steps: string
    nextDay: string
    likely: string
    mind: string
    weigh: string
    calendar: string
    openStages: string
    closeStages: string
    stagesForThis: string
    asMethod: string
    keepInFormula: string
    waysOfPieces: string
    weighedFirst: string
    water: string
    jugs: {
      tap: string
      hotTap: string
      kettle: string
      ice: string
    }
    atTheBowl: string
    version: string
    newest: string
    feelEnds: string
    feelEnd: string
    together: string
    others: string
    ribbon: string
    height: string
    asleep: string
    folds: string
    stop: string
    load: string
    core: string
    oven: string
    minutes: string
    proofAt: string
    pins: Record<string, string>
    toMind: string
    mindOff: string
  }
  read: {
    title: string
    how: string
    measures: {
      percent: string
      line_ml: string
      heights_mm: string
      celsius: string
      ready: string
    }
    kinds: Record<string, string>
    rise: string
    line: string
    first: string
    height: string
    warm: string
    at: string
    log: string
    sure: string
    wasReady: string
    moved: string
    notCounted: string
  }
  rooms: {
    bench: string
    log: string
    plan: string
    formulas: string
    cultures: string
    oven: string
    water: string
    kitchen: string
  }
  shell: {
    rooms: string
    skip: string
    now: string
    late: (data: { span: Value }) => string
    theme: string
    themes: {
      auto: string
      light: string
      dark: string
    }
  }
  slice: {
    title: string
    lead: string
    measure: string
    again: string
    width: string
    threshold: string
    asFound: string
    more: (data: { by: Value }) => string
    fewer: (data: { by: Value }) => string
    drawn: string
    measuring: string
    askWidth: string
    keep: string
    kept: string
    share: string
    shareOf: (data: { percent: Value }) => string
    mean: string
    meanOf: (data: { mm2: Value }) => string
    largest: string
    largestOf: (data: { mm: Value }) => string
    count: string
    evenness: string
    fewHoles: string
    bands: string
    top: string
    base: string
    band: (data: { percent: Value; place: Value }) => string
    dense: (data: { from: Value; to: Value }) => string
    noDense: string
    measured: (data: { percent: Value }) => string
    measuredMean: (data: { mm2: Value }) => string
  }
  together: {
    title: string
    lead: string
    kept: string
    ratio: string
    nothing: string
    pieces: string
    ofDough: string
    levain: string
    water: string
    waterName: string
    seed: string
    into: string
    all: string
  }
  trust: {
    title: string
    notServed: string
    why: string
    done: string
    first: string
    compare: string
    fetch: string
    android: string
    androidSteps: string[]
    iphone: string
    iphoneSteps: string[]
    qr: (data: { address: Value }) => string
    open: string
    means: string
    limited: (data: { names: Value }) => string
    key: string
    until: (data: { day: Value }) => string
    moved: string
    undo: string
    undoHow: string
  }
  undone: {
    undo: string
  }
  water: {
    title: string
    wanted: string
    advice: string
    paces: {
      slow: string
      usual: string
      quick: string
    }
    bulkAbout: (data: { span: Value }) => string
    bulkOverADay: string
    mixingFor: string
    speed: string
    speeds: {
      slow: string
      usual: string
      fast: string
    }
    mixedWarms: (data: { k: Value }) => string
    mixedCools: (data: { k: Value }) => string
    mixedNothing: string
    mixing: string
    mixings: {
      spoon: string
      folds: string
      hand_kneading: string
      slap_and_fold: string
      planetary_mixer: string
      spiral_mixer: string
      processor: string
    }
    now: string
    flour: string
    room: string
    levain: string
    tap: string
    hasHot: string
    hotTap: string
    freezer: string
    bowl: string
    bowls: {
      none: string
      steel: string
      glass: string
      ceramic: string
      plastic: string
    }
    bowlG: string
    bowlC: string
    ofWater: string
    gives: string
    not: string
    balance: string
    factor: string
    adds: string
    usual: string
    mixes: (data: { count: Value }) => string
    water: string
    poured: string
    pouredStart: string
    another: string
    togetherAt: string
    willBe: string
    measured: string
    log: string
    learnt: (data: { count: Value; k: Value; usual: Value }) => string
  }
  ways: {
    title: string
    days: string
    hands: string
    ready: (data: { when: Value }) => string
    problems: Record<string, string>
  }
  whatIf: {
    title: string
  }
  why: {
    open: string
    close: string
    lead: (data: { likely: Value; plain: Value }) => string
    longer: (data: { percent: Value }) => string
    shorter: (data: { percent: Value }) => string
    scale: string
    turn: string
    question: string
    questions: {
      ready: string
      levain: string
      yeast: string
      dough_c: string
      proofer_c: string
      before_fridge: string
      take_out: string
    }
    rise: string
    after: string
    inRoom: string
    reckon: string
    leans: string
    ofFlour: string
    afterMixing: string
  }
  whySo: {
    title: string
    lead: string
    seen: string
    more: string
    likely: (data: { percent: Value }) => string
    for: string
    against: string
    ruledOut: string
    lookNext: string
    change: string
    again: (data: { fault: Value; percent: Value }) => string
    nothing: string
    unexplained: (data: { faults: Value }) => string
    others: string
    plan: string
    toFormula: string
  }
  yeastTest: {
    title: string
    stir: string
    yeast: string
    sugar: string
    water: string
    then: string
    begin: string
    newPack: string
    again: string
    foams: {
      none: string
      few_bubbles: string
      thin: string
      thick: string
    }
  }
}
