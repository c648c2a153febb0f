# frozen_string_literal: true

module IronTrellis
  module Core
    module StructuredData
      # Whoever does business: schema.org's Organization and all kinds of it, LocalBusiness and its kinds among them
      # (the vocabulary that ships with the application; a test holds the list to it).
      module Organisations
        TYPES =
          %w[
            AccountingService AdultEntertainment Airline AmusementPark AnimalShelter ArchiveOrganization
            ArtGallery Attorney AutoBodyShop AutoDealer AutoPartsStore AutoRental AutoRepair AutoWash
            AutomatedTeller AutomotiveBusiness Bakery BankOrCreditUnion BarOrPub BeautySalon BedAndBreakfast
            BikeStore BookStore BowlingAlley Brewery CafeOrCoffeeShop Campground Casino ChildCare ClothingStore
            CollegeOrUniversity ComedyClub ComputerStore Consortium ConvenienceStore Cooperative Corporation
            CovidTestingFacility DanceGroup DaySpa Dentist DepartmentStore DiagnosticLab Distillery
            DryCleaningOrLaundry EducationalOrganization Electrician ElectronicsStore ElementarySchool
            EmergencyService EmploymentAgency EntertainmentBusiness ExerciseGym FastFoodRestaurant
            FinancialService FireStation Florist FoodEstablishment FundingAgency FundingScheme FurnitureStore
            GardenStore GasStation GeneralContractor GolfCourse GovernmentOffice GovernmentOrganization
            GroceryStore HVACBusiness HairSalon HardwareStore HealthAndBeautyBusiness HealthClub HighSchool
            HobbyShop HomeAndConstructionBusiness HomeGoodsStore Hospital Hostel Hotel HousePainter IceCreamShop
            IndividualPhysician InsuranceAgency InternetCafe JewelryStore LegalService Library LibrarySystem
            LiquorStore LocalBusiness Locksmith LodgingBusiness MedicalBusiness MedicalClinic MedicalOrganization
            MensClothingStore MiddleSchool MobilePhoneStore Motel MotorcycleDealer MotorcycleRepair
            MovieRentalStore MovieTheater MovingCompany MusicGroup MusicStore NGO NailSalon NewsMediaOrganization
            NightClub Notary OfficeEquipmentStore OnlineBusiness OnlineStore Optician Organization OutletStore
            PawnShop PerformingGroup PetStore Pharmacy Physician PhysiciansOffice Plumber PoliceStation
            PoliticalParty PostOffice Preschool ProfessionalService Project PublicSwimmingPool RadioStation
            RealEstateAgent RecyclingCenter ResearchOrganization ResearchProject Resort Restaurant
            RoofingContractor School SearchRescueOrganization SelfStorage ShoeStore ShoppingCenter SkiResort
            SportingGoodsStore SportsActivityLocation SportsClub SportsOrganization SportsTeam StadiumOrArena
            Store TattooParlor TelevisionStation TennisComplex TheaterGroup TireShop TouristInformationCenter
            ToyStore TravelAgency VacationRental VeterinaryCare WholesaleStore Winery WorkersUnion
          ].to_h { |type| [type, true] }.freeze

        # @param item [Item]
        # @return [Boolean]
        def self.include?(item) = item.types.any? { |type| TYPES.key?(type) }
      end
    end
  end
end
