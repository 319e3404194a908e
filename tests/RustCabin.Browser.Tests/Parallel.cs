// A browser waits more than it works: two tests a core keep the machine busy, more of them get in each other's way.
[assembly: CollectionBehavior(MaxParallelThreads = 4)]
